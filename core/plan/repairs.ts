import type { Order } from './decode.ts'
import type { Network } from './network.ts'
import type { Value } from './value.ts'

/** A small change of a plan that stands: one run to another time or to somebody else, or two runs between two people. */
export interface RepairKind {
  readonly kind: 'shift' | 'give' | 'swap'
  readonly run: string
  /** Who does it then; of a swap, the other run. */
  readonly to?: string | undefined
  readonly other?: string | undefined
}

interface Standing {
  readonly order: Order
  readonly schedule: { readonly start: Int32Array; readonly person: Int16Array }
  readonly value: Value
}

/** Runs looked at, and others each is swapped with: what is near what went wrong. */
const [mostTroubled, mostOthers] = [8, 6]

/**
 * The repairs of a plan that is pushed by what happened: each is the kept order with one run let go of its time, given to somebody else, or
 * swapped with another's. @param troubled jobs that stand wrong.
 */
export function repairsFor(
  network: Network,
  kept: Standing,
  troubled: readonly number[],
): { readonly repair: RepairKind; readonly order: Order }[] {
  const { jobs, pieces, problem } = network
  const loose = (order: Order, ...which: readonly number[]): Order => {
    const from = order.from?.slice()
    for (const j of which) for (const i of jobs[j]?.pieces ?? []) if (from) from[i] = 0
    return { ...order, hands: order.hands.slice(), delay: order.delay.slice(), ...(from && { from }) }
  }
  const give = (order: Order, job: number, person: number): void => {
    for (const i of jobs[job]?.pieces ?? []) if (pieces[i]?.work) order.hands[i] = person
  }
  const handsOf = (job: number): number =>
    jobs[job]?.pieces.map((i) => kept.schedule.person[i] as number).find((p) => p >= 0) ?? -1
  const beginOf = (job: number): number =>
    Math.min(...(jobs[job]?.pieces ?? []).map((i) => kept.schedule.start[i] as number))
  const named = (job: number) => jobs[job]?.run.id ?? ''
  const open = jobs.filter((j) => !j.isBreak && !j.hasBegun).map((j) => j.index)
  return troubled.slice(0, mostTroubled).flatMap((job) => {
    const people = jobs[job]?.people ?? []
    const near = open
      .filter((o) => o !== job && handsOf(o) >= 0 && handsOf(o) !== handsOf(job))
      .toSorted((a, b) => Math.abs(beginOf(a) - beginOf(job)) - Math.abs(beginOf(b) - beginOf(job)))
    const shifted = { repair: { kind: 'shift' as const, run: named(job) }, order: loose(kept.order, job) }
    const given = people
      .filter((p) => p !== handsOf(job))
      .map((p) => {
        const order = loose(kept.order, job)
        give(order, job, p)
        return { repair: { kind: 'give' as const, run: named(job), to: problem.people[p]?.id }, order }
      })
    const swapped = near.slice(0, mostOthers).flatMap((other) => {
      const [a, b] = [handsOf(job), handsOf(other)]
      if (a < 0 || !people.includes(b) || !jobs[other]?.people.includes(a)) return []
      const order = loose(kept.order, job, other)
      give(order, job, b)
      give(order, other, a)
      return [{ repair: { kind: 'swap' as const, run: named(job), other: named(other) }, order }]
    })
    return [shifted, ...given, ...swapped]
  })
}

/** Jobs that stand wrong: not placed, late, or in the hands of somebody kept past their hours. */
export function troubledIn(
  { jobs, problem }: Network,
  standing: Standing & { readonly schedule: { readonly unplaced: readonly { readonly job: number }[] } },
  endOf: (piece: number) => number,
): number[] {
  const over = new Set(problem.people.flatMap((p, i) => ((standing.value.leaves[i] ?? 0) > p.to ? [i] : [])))
  const lost = standing.schedule.unplaced.map((u) => u.job)
  const late = jobs
    .filter((j) => !j.isBreak && !j.hasBegun && !lost.includes(j.index))
    .flatMap((j) => {
      const end = Math.max(...j.pieces.map(endOf))
      const isOver = j.pieces.some((i) => over.has(standing.schedule.person[i] as number))
      return end > j.run.latest || isOver ? [{ job: j.index, end }] : []
    })
    .toSorted((a, b) => b.end - a.end)
    .map((l) => l.job)
  return [...lost.filter((j) => jobs[j]?.isBreak === false), ...late]
}
