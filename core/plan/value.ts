import type { Schedule } from './decode.ts'
import { departures } from './departures.ts'
import { endOf } from './laid.ts'
import type { Network } from './network.ts'
import { gapMinutes, rowTerms, type Before } from './price.ts'
import {
  aloneWeight,
  overtimeWeight,
  unplacedMinutes,
  type Objective,
  type PlanProblem,
  type PriceTerms,
} from './problem.ts'
import { priceOf, weightsOf } from './weights.ts'

export interface Value {
  readonly late: number
  readonly last: number
  /** The part of the price that is known at once: no plan's whole price is less. */
  readonly least: number
  /** Counted only when it is asked for. */
  readonly price: () => number
  readonly terms: () => PriceTerms
  /** By person: when they may leave. */
  readonly leaves: readonly number[]
}

/** What a schedule is worth, and when everybody may leave: after their own last work, and while the counters need them. */
export function valueOf(network: Network, schedule: Schedule, before: Before | null): Value {
  const leaves = departures(network, schedule)
  const { jobs, problem } = network
  const weights = weightsOf(problem)
  let [late, wish] = [0, 0]
  for (const { job } of schedule.unplaced) late += unplacedMinutes * (jobs[job]?.run.weight ?? 1)
  const lost = new Set(schedule.unplaced.map((u) => u.job))
  for (const job of jobs) {
    if (lost.has(job.index)) continue
    let end = -1
    for (const i of job.pieces)
      if ((schedule.start[i] as number) >= 0) end = Math.max(end, endOf(network, schedule, i))
    if (end < 0) continue
    late += Math.max(0, end - job.run.latest) * job.run.weight
    if (!job.isBreak) wish += Math.max(0, end - job.run.target)
  }
  const last = Math.max(0, ...leaves)
  let paid = 0
  problem.people.forEach((p, i) => {
    const leaving = leaves[i] as number
    late += Math.max(0, leaving - p.to) * overtimeWeight
    paid += leaving - Math.max(0, Math.min(p.from, leaving))
  })
  late += (minutesAlone(problem, leaves) + minutesWithoutKeys(problem, leaves)) * aloneWeight
  let terms: PriceTerms | null = null
  const known = (): PriceTerms =>
    (terms ??= {
      paid,
      last,
      wish,
      gaps: gapMinutes(network, schedule, lost),
      ...rowTerms(network, schedule, before),
    })
  let price: number | null = null
  return {
    late,
    last,
    least: paid * weights.paid + last * weights.last + wish * weights.wish,
    price: () => (price ??= priceOf(known(), weights)),
    terms: known,
    leaves,
  }
}

/** Minutes in which one of the people is the only one there, where nobody may be. */
function minutesAlone({ people, neverAlone }: PlanProblem, leaves: readonly number[]): number {
  if (!neverAlone) return 0
  const marks = people.flatMap((p, i) => [Math.max(0, p.from), leaves[i] as number]).sort((a, b) => a - b)
  let alone = 0
  for (let n = 1; n < marks.length; n++) {
    const [from, to] = [marks[n - 1] as number, marks[n] as number]
    let there = 0
    if (to > from) people.forEach((p, i) => (there += p.from <= from && (leaves[i] as number) >= to ? 1 : 0))
    if (there === 1) alone += to - from
  }
  return alone
}

/** Minutes at the end in which nobody there holds keys, where somebody must. */
function minutesWithoutKeys({ people, keys }: PlanProblem, leaves: readonly number[]): number {
  if (!keys) return 0
  const held = people.map((p, i) => (keys.includes(p.id) ? (leaves[i] as number) : 0))
  return Math.max(0, ...leaves) - Math.max(0, ...held)
}

/** Which of two is better, level by level; below zero where the first is. */
export function compare(a: Value, b: Value): number {
  if (a.late !== b.late) return a.late - b.late
  // What is dearer by its known part alone need not be counted.
  if (a.least >= b.price()) return 1
  return a.price() - b.price() || a.last - b.last
}

export const objectiveOf = ({ late, last, price, terms }: Value): Objective => ({
  late,
  price: price(),
  last,
  terms: terms(),
})
