import { segmentMinutes } from '../problem.ts'
import { isHandedOver } from './handed.ts'
import type { Check, Violation } from './violation.ts'

/** Each segment lasts what it takes, lies within the plan, stays where it was begun, and is in somebody's hands or in none's. */
export const segments: Check = ({ problem, at }) =>
  problem.runs.flatMap((run) =>
    run.segments.flatMap((s): Violation[] => {
      const p = at(run.id, s.id)
      if (!p) return []
      const of = (constraint: Violation['constraint'], is: number, limit: number): Violation => ({
        constraint,
        run: run.id,
        segment: s.id,
        is,
        limit,
      })
      const more = isHandedOver(run, s, p.person, (id) => at(run.id, id)?.person) ? (problem.handing ?? 0) : 0
      const [lasts, takes] = [p.end - p.start, segmentMinutes(s, p.person) + more]
      const moved = s.fixed && (p.start !== s.fixed.start || p.person !== s.fixed.person)
      const due = run.links.filter((l) => l.to === s.id).map((l) => (at(run.id, l.from)?.end ?? 0) + l.least)
      const begins = Math.max(...due)
      return [
        ...(lasts === takes ? [] : [of('duration', lasts, takes)]),
        ...(p.start < 0 || p.end > problem.horizon ? [of('horizon', p.end, problem.horizon)] : []),
        ...(moved ? [of('begun', p.start, s.fixed?.start ?? 0)] : []),
        ...((s.kind === 'hands-on') === (p.person !== null) ? [] : [of('hands', p.start, p.start)]),
        // A wait begins as what is before it ends: nobody sees to it that it begins later.
        ...(s.kind === 'wait' && !s.fixed && due.length > 0 && p.start !== begins
          ? [of('wait-begins', p.start, begins)]
          : []),
      ]
    }),
  )
