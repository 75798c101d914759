import type { Order, Schedule } from './decode.ts'
import { endOf, lay, type Laid } from './laid.ts'
import type { Job, Network, Piece } from './network.ts'
import type { Unplaced } from './problem.ts'
import type { Timelines } from './timelines.ts'

/** A schedule while it is built. By piece, block or job as the name says; -1 is not yet. */
export interface Building extends Laid {
  readonly network: Network
  readonly lines: Timelines
  readonly order: Order
  /** By job: which of its gaps it stands in, at least; its begin and end so far; how many blocks are left. */
  readonly gap: Int16Array
  readonly begun: Int32Array
  readonly ended: Int32Array
  readonly left: Int32Array
  readonly dropped: Map<number, Unplaced['why']>
  /** By block: how many it waits for. */
  readonly waits: Int32Array
  readonly ready: number[]
  /** By station: when it is free, or -1 while a run is on it. */
  readonly stationFree: Int32Array
  /** By keep-up group: when each of its places falls free, or -1 while taken. */
  readonly tokens: readonly Int32Array[]
  readonly tokenOf: Map<number, { readonly group: number; readonly token: number }[]>
}

/** @param kept a schedule of which everything but the jobs in `anew` stays; `lines` hold what is placed of it. */
export function begin(
  network: Network,
  lines: Timelines,
  order: Order,
  lost: ReadonlyMap<number, Unplaced['why']>,
  kept: { readonly schedule: Schedule; readonly anew: ReadonlySet<number> } | null = null,
): Building {
  const { blocks, jobs, pieces, problem } = network
  const b: Building = {
    network,
    lines,
    order,
    start: new Int32Array(pieces.length).fill(-1),
    person: new Int16Array(pieces.length).fill(-1),
    by: new Int16Array(pieces.length).fill(-1),
    helper: new Int16Array(pieces.length).fill(-1),
    extra: new Int8Array(pieces.length),
    gap: new Int16Array(jobs.length),
    begun: new Int32Array(jobs.length).fill(-1),
    ended: new Int32Array(jobs.length),
    left: new Int32Array(jobs.length),
    dropped: new Map(lost),
    waits: new Int32Array(blocks.length),
    ready: [],
    stationFree: new Int32Array(problem.stations.length),
    tokens: problem.keepUp.map((g) => new Int32Array(Math.max(0, g.mostDown))),
    tokenOf: new Map(),
  }
  if (kept) keep(b, kept.schedule, kept.anew)
  for (const job of jobs) {
    if (kept && !kept.anew.has(job.index)) continue
    b.left[job.index] = job.blocks.length
    b.gap[job.index] = job.firstGap
    for (const i of job.blocks) {
      const block = blocks[i] as (typeof blocks)[number]
      b.waits[i] = block.before.length
      if (block.before.length === 0 && !lost.has(block.run)) b.ready.push(i)
    }
  }
  for (const { index, segment } of pieces)
    if (segment.fixed) {
      b.start[index] = segment.fixed.start
      b.person[index] = problem.people.findIndex((p) => p.id === segment.fixed?.person)
    }
  return b
}

/** Takes over where all but the jobs in `anew` stand; those are taken out of the lines. */
function keep(b: Building, held: Schedule, anew: ReadonlySet<number>): void {
  const { jobs } = b.network
  for (const line of ['start', 'person', 'by', 'helper', 'extra'] as const) b[line].set(held[line])
  for (const { job, why } of held.unplaced) if (!anew.has(job)) b.dropped.set(job, why)
  for (const job of jobs)
    if (anew.has(job.index)) takeOut(b, job)
    else
      for (const i of job.pieces)
        b.ended[job.index] = Math.max(b.ended[job.index] as number, endOf(b.network, b, i))
}

/** Whether a run may take its machine next: it is free, no more are down than may be, and what comes before it is placed. */
export function mayBegin(b: Building, job: Job): boolean {
  if ((b.begun[job.index] as number) >= 0) return true
  if (job.station >= 0 && (b.stationFree[job.station] as number) < 0) return false
  for (const o of job.after) if (!b.dropped.has(o) && (b.left[o] as number) > 0) return false
  for (const g of job.groups) if (!(b.tokens[g] as Int32Array).some((at) => at >= 0)) return false
  return true
}

/** Takes the machine and its place among those down; sets the first minute at which the run may begin. */
export function open(b: Building, job: Job): void {
  let from = job.run.earliest
  if (job.station >= 0) {
    from = Math.max(from, b.stationFree[job.station] as number)
    b.stationFree[job.station] = -1
  }
  for (const o of job.after) if (!b.dropped.has(o)) from = Math.max(from, b.ended[o] as number)
  for (const group of job.groups) {
    const free = b.tokens[group] as Int32Array
    let token = -1
    for (let i = 0; i < free.length; i++)
      if ((free[i] as number) >= 0 && (token < 0 || (free[i] as number) < (free[token] as number))) token = i
    if (token < 0) continue
    from = Math.max(from, free[token] as number)
    free[token] = -1
    b.tokenOf.set(job.index, [...(b.tokenOf.get(job.index) ?? []), { group, token }])
  }
  b.begun[job.index] = Math.max(0, from)
}

/** Gives the machine back at a minute. */
export function close(b: Building, job: Job, at: number): void {
  if (job.station >= 0 && (b.begun[job.index] as number) >= 0) b.stationFree[job.station] = at
  for (const { group, token } of b.tokenOf.get(job.index) ?? []) (b.tokens[group] as Int32Array)[token] = at
  b.tokenOf.delete(job.index)
}

/** Takes what is placed of a job out of the lines, except what has begun. */
function takeOut(b: Building, job: Job): void {
  for (const i of job.pieces) free(b, i)
}

/** Takes one piece out of the lines; of one that has begun, what it holds past its own minutes. A wait goes before what follows it. */
export function free(b: Building, i: number): void {
  lay(b.network, b.lines, b, i, -1)
  if ((b.network.pieces[i] as Piece).segment.fixed) return
  b.start[i] = -1
  b.person[i] = -1
  b.by[i] = -1
  b.helper[i] = -1
  b.extra[i] = 0
}

/** Takes all of a run out again; it keeps its machine. */
export function undo(b: Building, job: Job): void {
  const { blocks } = b.network
  takeOut(b, job)
  b.ended[job.index] = 0
  b.left[job.index] = job.blocks.length
  for (const i of job.blocks) b.waits[i] = blocks[i]?.before.length ?? 0
  for (let i = b.ready.length - 1; i >= 0; i--)
    if (blocks[b.ready[i] as number]?.run === job.index) b.ready.splice(i, 1)
}
