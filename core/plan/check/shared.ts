import type { Placed } from '../problem.ts'
import type { Check, Checked, Violation } from './violation.ts'

const minutesOf = (horizon: number) => Array.from({ length: horizon }, (_, t) => t)

/** When a place that a segment takes is free again: a wait holds its places on until what comes after it has begun. */
function freeAgain({ runs, at, segment }: Checked, p: Placed): number {
  if (segment(p)?.kind !== 'wait') return p.end
  const next = runs.get(p.run)?.links.filter((l) => l.from === p.segment) ?? []
  return Math.max(p.end, ...next.map((l) => at(p.run, l.to)?.start ?? 0))
}

/** No more at a shared place than there are of it, at any minute. */
export const places: Check = (checked) => {
  const { problem, plan, segment } = checked
  return Object.entries(problem.places).flatMap(([place, limit]) => {
    const there = plan.placed
      .filter((p) => segment(p)?.places.includes(place))
      .map((p) => ({ from: p.start, to: freeAgain(checked, p) }))
    return minutesOf(problem.horizon).flatMap((t): Violation[] => {
      const is = there.filter((s) => s.from <= t && t < s.to).length
      return is > limit ? [{ constraint: 'place', place, at: t, is, limit }] : []
    })
  })
}

/** One run on a machine at a time, and of machines that stand in for each other never too many down. */
export const machines: Check = ({ problem, whole }) =>
  minutesOf(problem.horizon).flatMap((t): Violation[] => {
    const down = whole.filter(({ span }) => span.begin <= t && t < span.end).map(({ run }) => run.station)
    return [
      ...(new Set(down).size === down.length
        ? []
        : [{ constraint: 'one-run-a-machine' as const, at: t, is: down.length, limit: new Set(down).size }]),
      ...problem.keepUp.flatMap((g): Violation[] => {
        const is = down.filter((s) => g.stations.includes(s)).length
        return is > g.mostDown ? [{ constraint: 'keep-up', at: t, is, limit: g.mostDown }] : []
      }),
    ]
  })

/** What comes last comes last. */
export const orders: Check = ({ problem, whole }) =>
  problem.orders.flatMap((o): Violation[] => {
    const spanOf = (id: string) => whole.find(({ run }) => run.id === id)?.span
    const [before, after] = [spanOf(o.before), spanOf(o.after)]
    return before && after && after.begin < before.end
      ? [{ constraint: 'order', run: o.after, is: after.begin, limit: before.end }]
      : []
  })
