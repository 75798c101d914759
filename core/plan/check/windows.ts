import { isBegun, type Check, type Violation } from './violation.ts'

/** When a run may be: not before its time, fresh at its end, and its machine not down while it must be up. */
export const windows: Check = ({ problem, whole }) =>
  whole.flatMap(({ run, span }) => {
    const of = (constraint: Violation['constraint'], is: number, limit: number): Violation => ({
      constraint,
      run: run.id,
      is,
      limit,
    })
    const begun = isBegun(run)
    // Its last work is under way: it ends when it ends.
    const isEnding = run.segments.every((s) => s.fixed || run.links.some((l) => l.from === s.id))
    const up = problem.stations.find((s) => s.id === run.station)?.up ?? []
    return [
      ...(!begun && span.begin < run.earliest ? [of('earliest', span.begin, run.earliest)] : []),
      ...(span.end < run.endsFrom && !isEnding ? [of('fresh', span.end, run.endsFrom)] : []),
      ...up
        .filter((u) => !begun && span.begin < u.to && u.from < span.end)
        .map((u) => of('machine-up', span.begin, u.from)),
    ]
  })
