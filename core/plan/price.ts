import type { Schedule } from './decode.ts'
import { endOf } from './laid.ts'
import type { Network } from './network.ts'
import { movedMinutes, shortStay, type PriceTerms } from './problem.ts'

/** Where things stood before, by piece: changes against it are counted. */
export interface Before {
  readonly start: Int32Array
  readonly person: Int16Array
  /** The run whose work stood before it in that person's row, -1 for none. */
  readonly neighbour: Int16Array
}

type RowTerms = Pick<PriceTerms, 'handovers' | 'walks' | 'areas' | 'short' | 'unfair' | 'changes'>

/** What is counted along the rows of people: handovers, walks, stays, shares, changes. */
export function rowTerms(network: Network, schedule: Schedule, before: Before | null): RowTerms {
  const { jobs, pieces, problem, walks, areas, shares, begunBy } = network
  const { start, person, helper } = schedule
  const people = problem.people.length
  // Of each person: where they were last, the run, since when they stay in its area, by what they came there, and their minutes.
  const at = new Int16Array(people)
  const run = new Int16Array(people).fill(-1)
  const area = new Int16Array(people)
  const stayed = new Int32Array(people)
  const away = new Uint8Array(people)
  const minutes = new Float64Array(people)
  const terms = { handovers: 0, walks: 0, areas: 0, short: 0, unfair: 0, changes: 0 }
  const leave = (p: number) => {
    if (away[p] && (stayed[p] as number) < shortStay) terms.short++
  }
  for (const i of byStart(start, person, problem.horizon)) {
    const p = person[i] as number
    const piece = pieces[i] as (typeof pieces)[number]
    const job = jobs[piece.run] as (typeof jobs)[number]
    if (before && (before.start[i] as number) >= 0) {
      const moved = Math.abs((before.start[i] as number) - (start[i] as number)) > movedMinutes
      if (moved || before.person[i] !== p || before.neighbour[i] !== run[p]) terms.changes++
    }
    const was = run[p] as number
    run[p] = piece.run
    if (job.isBreak) continue
    const others =
      piece.follows.length > 0 ? piece.follows.every((f) => person[f] !== p) : begunBy[piece.run] !== p
    const comes = piece.follows.length > 0 || job.run.begunBy !== undefined
    if (comes && others && !piece.segment.fixed && !piece.follows.some((f) => pieces[f]?.segment.handover))
      terms.handovers++
    if ((at[p] as number) > 0) terms.walks += walks[(at[p] as number) * areas + piece.at] as number
    at[p] = piece.at
    if (was !== piece.run && area[p] !== job.at) {
      leave(p)
      away[p] = area[p] === 0 ? 0 : 1
      terms.areas += away[p] as number
      area[p] = job.at
      stayed[p] = 0
    }
    const lasts = endOf(network, schedule, i) - (start[i] as number)
    stayed[p] = (stayed[p] as number) + lasts
    minutes[p] = (minutes[p] as number) + lasts
    const helps = helper[i] as number
    if (helps >= 0) minutes[helps] = (minutes[helps] as number) + lasts
  }
  for (let p = 0; p < people; p++) {
    leave(p)
    terms.unfair += Math.abs((minutes[p] as number) - (shares[p] as number)) / 2
  }
  return terms
}

/** Minutes from runs' first to last work in which none of them runs; waits count their least length. */
export function gapMinutes(network: Network, schedule: Schedule, lost: ReadonlySet<number>): number {
  const { jobs, pieces } = network
  const { start } = schedule
  let gaps = 0
  for (const job of jobs) {
    if (job.isBreak || lost.has(job.index)) continue
    const spans = job.pieces
      .map((i): [number, number, boolean] => [
        start[i] as number,
        endOf(network, schedule, i),
        pieces[i]?.work === true,
      ])
      .sort((a, b) => a[0] - b[0])
    const last = spans.reduce((end, [, to, work]) => (work ? Math.max(end, to) : end), -1)
    let reached = -1
    for (const [from, to, work] of spans) {
      if (reached < 0 && !work) continue
      if (from >= last) break
      if (reached >= 0 && from > reached) gaps += from - reached
      reached = Math.max(reached, to)
    }
  }
  return gaps
}

/** The pieces that somebody does, by their begin; those of the same minute by number. */
export function byStart(start: Int32Array, person: Int16Array, horizon: number): Int32Array {
  const count = new Int32Array(horizon + 1)
  const isDone = (i: number) => (person[i] as number) >= 0 && (start[i] as number) >= 0
  let done = 0
  for (let i = 0; i < start.length; i++)
    if (isDone(i)) {
      done++
      count[start[i] as number] = (count[start[i] as number] as number) + 1
    }
  for (let t = 0, sum = 0; t <= horizon; t++) {
    const here = count[t] as number
    count[t] = sum
    sum += here
  }
  const order = new Int32Array(done)
  for (let i = 0; i < start.length; i++)
    if (isDone(i)) {
      const at = count[start[i] as number] as number
      order[at] = i
      count[start[i] as number] = at + 1
    }
  return order
}
