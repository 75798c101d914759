import { workOf } from './people.ts'
import type { Check, Violation } from './violation.ts'

/** Between two works of a person in different areas lies the walk from one to the other. A break between them ends the first. */
export const walks: Check = ({ problem, plan, runs }) => {
  const areaOf = (run: string) => problem.stations.find((s) => s.id === runs.get(run)?.station)?.place ?? ''
  const minutes = (a: string, b: string) =>
    (problem.walks ?? []).reduce(
      (known, { between: [x, y], minutes: m }) => ((x === a && y === b) || (x === b && y === a) ? m : known),
      0,
    )
  return problem.people.flatMap(({ id }): Violation[] => {
    const own = workOf(plan, id)
    return own.flatMap((next, i): Violation[] => {
      const before = own[i - 1]
      if (!before?.run || !next.run || areaOf(before.run) === areaOf(next.run)) return []
      const [is, limit] = [next.start - before.end, minutes(areaOf(before.run), areaOf(next.run))]
      const isUnderWay = runs.get(next.run)?.segments.some((s) => s.fixed?.start === next.start) === true
      return is >= limit || isUnderWay
        ? []
        : [{ constraint: 'walk', person: id, run: next.run, at: next.start, is, limit }]
    })
  })
}
