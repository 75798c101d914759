import type { PlanProblem } from '../problem.ts'
import { workOf } from './people.ts'
import type { Check, Violation } from './violation.ts'

/** Counters that nobody free is left for, where the people in their hours would have been enough: tried by matching, minute by minute. */
export const counters: Check = ({ problem, plan, segment }) => {
  const begun = plan.placed.filter((p) => segment(p)?.fixed)
  const work = new Map(problem.people.map((p) => [p.id, workOf(plan, p.id)]))
  return Array.from({ length: problem.horizon }, (_, t) => t).flatMap((t): Violation[] => {
    const wanted = problem.counters.flatMap((c) =>
      c.need
        .filter((n) => n.from <= t && t < n.to)
        .flatMap((n) => Array.from({ length: n.people }, () => c.id)),
    )
    if (wanted.length === 0) return []
    const inHours = problem.people.filter((p) => p.from <= t && t < p.to)
    const works = (id: string) => (work.get(id) ?? []).some((o) => o.start <= t && t < o.end)
    const free = inHours.filter((p) => !works(p.id) && (plan.leaves[p.id] ?? 0) > t)
    const filled = matching(wanted, free)
    // Where even everybody would be too few, nobody who can serve may be away cleaning. What has begun goes on.
    const could = matching(
      wanted,
      inHours.filter((p) => !begun.some((b) => b.person === p.id && b.start <= t && t < b.end)),
    )
    return filled < could ? [{ constraint: 'counters', at: t, is: filled, limit: wanted.length }] : []
  })
}

function matching(wanted: readonly string[], free: PlanProblem['people']): number {
  const takes = new Map<string, number>()
  const seat = (w: number, seen: Set<string>): boolean =>
    free.some((p) => {
      if (!p.serves.includes(wanted[w] ?? '') || seen.has(p.id)) return false
      seen.add(p.id)
      const other = takes.get(p.id)
      if (other !== undefined && !seat(other, seen)) return false
      takes.set(p.id, w)
      return true
    })
  return wanted.filter((_, w) => seat(w, new Set())).length
}
