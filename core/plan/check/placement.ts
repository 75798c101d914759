import type { Check } from './violation.ts'

/** No segment twice; a run with all its segments, or unplaced with none but what has begun. */
export const placement: Check = ({ problem, plan }) => {
  const twice = plan.placed.filter(
    (p, i) => plan.placed.findIndex((o) => o.run === p.run && o.segment === p.segment) !== i,
  )
  const unplaced = new Set(plan.unplaced.map((u) => u.run))
  return [
    ...twice.map((p) => ({ constraint: 'placed-once' as const, run: p.run, segment: p.segment })),
    ...problem.runs.flatMap((run) => {
      const is = plan.placed.filter((p) => p.run === run.id).length
      // Of what has begun and cannot be ended its begun part stands.
      const limit = unplaced.has(run.id) ? run.segments.filter((s) => s.fixed).length : run.segments.length
      return is === limit ? [] : [{ constraint: 'placed-whole' as const, run: run.id, is, limit }]
    }),
  ]
}
