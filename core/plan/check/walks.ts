import type { Placed, PlanProblem } from '../problem.ts'
import type { Check, Checked, Violation } from './violation.ts'

type Work = Placed & { readonly isBreak: boolean }

/** The area in which a segment is worked: that of the shared place it takes, or its machine's. */
export function areaOf({ problem, runs, segment }: Checked, p: Placed): string {
  const shared = segment(p)?.places.flatMap((place) => problem.placeAreas?.[place] ?? [])[0]
  return shared ?? problem.stations.find((s) => s.id === runs.get(p.run)?.station)?.place ?? ''
}

/** Minutes from one area to another, both ways alike. */
export const walkBetween = ({ walks = [], walkElse = 0 }: PlanProblem, a: string, b: string): number =>
  a === b
    ? 0
    : walks.reduce(
        (known, { between: [x, y], minutes }) =>
          (x === a && y === b) || (x === b && y === a) ? minutes : known,
        walkElse,
      )

/**
 * Between two works of a person lies the walk from one to the other, and washing hands where dirty work comes before what must stay clean.
 * A break between them ends the first.
 */
export const walks: Check = (checked) => {
  const { problem, plan, segment } = checked
  return problem.people.flatMap(({ id }): Violation[] => {
    const own: Work[] = [
      ...plan.placed.filter((p) => p.person === id || p.helper === id).map((p) => ({ ...p, isBreak: false })),
      ...plan.breaks
        .filter((b) => b.person === id)
        .map((b) => ({ ...b, run: '', segment: '', isBreak: true })),
    ].toSorted((a, b) => a.start - b.start)
    return own.flatMap((next, i): Violation[] => {
      const before = own[i - 1]
      if (!before || before.isBreak || next.isBreak || segment(next)?.fixed) return []
      const washes = segment(before)?.last === 'dirty' && segment(next)?.first === 'food'
      const walk = walkBetween(problem, areaOf(checked, before), areaOf(checked, next))
      const [is, limit] = [next.start - before.end, walk + (washes ? (problem.washing ?? 0) : 0)]
      return is >= limit ? [] : [{ constraint: 'walk', person: id, run: next.run, at: next.start, is, limit }]
    })
  })
}
