import { lay, type Laid } from './laid.ts'
import type { Job, Network } from './network.ts'
import { placeBlock } from './place.ts'
import type { Unplaced } from './problem.ts'
import { tighten } from './tighten.ts'
import { begin, close, mayBegin, open, undo, type Building } from './building.ts'
import { copyOf, restore, takePerson, takePlaces, timelinesOf, type Timelines } from './timelines.ts'

/** What the search turns: in which order blocks are placed, and who is asked first. */
export interface Order {
  /** By block: lower is placed earlier. */
  readonly keys: Float64Array
  /** By piece: a person's number, or one of `anyone`, `sameHands`. */
  readonly hands: Int16Array
  /** By piece: minutes that it waits though it might begin: what is best is not always what is soonest. */
  readonly delay: Int16Array
  /** By piece: not begun before, where a plan is kept as it was. */
  readonly from?: Int32Array
}

/** Whoever is free first; the same person as before, where that one is free at all. */
export const anyone = -1
export const sameHands = -2

/** Where everything stands: by piece, -1 where it is not placed. */
export interface Schedule extends Laid {
  readonly unplaced: readonly { readonly job: number; readonly why: Unplaced['why'] }[]
  readonly lines: Timelines
}

/** Builds schedules from orders, one after another. The lines of a schedule hold until the next one is built. */
export interface Decoder {
  readonly all: (order: Order) => Schedule
  /** Places only some jobs anew, in what is held: every job that is tied to one of them must be among them. */
  readonly some: (order: Order, anew: ReadonlySet<number>) => Schedule
  /** Holds a schedule for `some`. @param isLast it was the last to be built. */
  readonly hold: (schedule: Schedule, isLast: boolean) => void
}

export function decoder(network: Network): Decoder {
  const blank = timelinesOf(network)
  for (const piece of network.pieces) {
    const { segment, places, minutes } = piece
    if (!segment.fixed) continue
    const { start } = segment.fixed
    const person = network.problem.people.findIndex((p) => p.id === segment.fixed?.person)
    takePerson(blank, person, piece, start, start + minutes, 1)
    takePlaces(blank, places, start, start + minutes, 1)
  }
  const lines = copyOf(blank)
  const heldLines = copyOf(blank)
  let held: Schedule | null = null
  const lost = new Map<number, Unplaced['why']>()
  for (const job of network.jobs) {
    const why = hopeless(job, network.problem.horizon)
    if (why) lost.set(job.index, why)
  }
  const scheduleOf = (b: Building): Schedule => {
    // Only what holds of a run by itself is proved: another order may find room.
    const unplaced = [...b.dropped].map(([job, why]) => ({
      job,
      why: lost.has(job) || why === 'pin' ? why : ('not-found' as const),
    }))
    const { start, person, by, helper, extra } = b
    return { start, person, by, helper, extra, unplaced, lines }
  }
  return {
    all: (order) => {
      restore(lines, blank)
      const b = begin(network, lines, order, lost)
      build(b, network.jobs)
      return scheduleOf(b)
    },
    some: (order, anew) => {
      if (!held) throw new Error('no schedule is held')
      restore(lines, heldLines)
      const b = begin(network, lines, order, lost, { schedule: held, anew })
      build(
        b,
        [...anew].map((i) => network.jobs[i] as Job),
      )
      return scheduleOf(b)
    },
    hold: (schedule, isLast) => {
      held = schedule
      if (isLast) return restore(heldLines, lines)
      restore(heldLines, blank)
      for (const { index } of network.pieces) lay(network, heldLines, schedule, index, 1)
    },
  }
}

/** Why a job cannot stand in any plan, where that is plain from itself. */
function hopeless(job: Job, horizon: number): Unplaced['why'] | null {
  if (job.hasBegun) return null
  if (job.alone.length === 0 && job.run.segments.some((s) => s.kind === 'hands-on')) return 'no-person'
  if (!job.gaps.some((g) => g.to - g.from >= job.length)) return 'no-window'
  return job.run.earliest + job.length > horizon ? 'no-room' : null
}

/** Places every block of these, the lowest key of those that may come next first; a run that does not fit moves to its next gap, or is dropped. */
function build(b: Building, which: readonly Job[]): void {
  const { blocks, jobs } = b.network
  // What has begun holds its machine before anything else is placed.
  for (const job of which) if (job.hasBegun) open(b, job)
  while (b.ready.length > 0) {
    let [least, at] = [Number.POSITIVE_INFINITY, -1]
    for (let i = 0; i < b.ready.length; i++) {
      const block = b.ready[i] as number
      const first = blocks[block]?.goesFirst
      const key = first ? Number.NEGATIVE_INFINITY : (b.order.keys[block] as number)
      if (key < least && mayBegin(b, jobs[(blocks[block] as { run: number }).run] as Job)) {
        least = key
        at = i
      }
    }
    // What is left waits for runs that wait for it in turn: the first of them is given up.
    const block = blocks[b.ready[Math.max(0, at)] as number] as (typeof blocks)[number]
    const job = jobs[block.run] as Job
    if (at < 0) {
      undo(b, job)
      b.dropped.set(job.index, 'no-room')
      continue
    }
    b.ready.splice(at, 1)
    if ((b.begun[job.index] as number) < 0) open(b, job)
    const why = placeBlock(b, job, block.pieces)
    if (why === null) {
      b.left[job.index] = (b.left[job.index] as number) - 1
      if (b.left[job.index] === 0) {
        if (!job.isBreak) tighten(b, job)
        close(b, job, b.ended[job.index] as number)
      }
      for (const next of block.after) {
        b.waits[next] = (b.waits[next] as number) - 1
        if (b.waits[next] === 0) b.ready.push(next)
      }
      continue
    }
    undo(b, job)
    if (why === 'gap' && (b.gap[job.index] as number) + 1 < job.gaps.length) {
      b.gap[job.index] = (b.gap[job.index] as number) + 1
      for (const i of job.blocks) if (blocks[i]?.before.length === 0) b.ready.push(i)
    } else {
      // Its machine was free to the end, and nobody was.
      const room = (job.gaps.at(-1)?.to ?? 0) >= b.network.problem.horizon
      b.dropped.set(job.index, why !== 'gap' ? why : room ? 'no-room' : 'no-window')
      close(b, job, b.begun[job.index] as number)
    }
  }
}
