import type { Check } from './violation.ts'

/** No segment twice; a run with all its segments, or unplaced with none. */
export const placement: Check = ({ problem, plan }) => {
  const twice = plan.placed.filter(
    (p, i) => plan.placed.findIndex((o) => o.run === p.run && o.segment === p.segment) !== i,
  )
  const unplaced = new Set(plan.unplaced.map((u) => u.run))
  return [
    ...twice.map((p) => ({ constraint: 'placed-once' as const, run: p.run, segment: p.segment })),
    ...problem.runs.flatMap((run) => {
      const is = plan.placed.filter((p) => p.run === run.id).length
      const limit = unplaced.has(run.id) ? 0 : run.segments.length
      return is === limit ? [] : [{ constraint: 'placed-whole' as const, run: run.id, is, limit }]
    }),
  ]
}
