import { isHandedOver, workBefore } from './check/handed.ts'
import type { Plan, PlanProblem } from './problem.ts'

/** A run that goes into other hands: where, from whom to whom, and what forces it; null where nothing does. */
export interface Handover {
  readonly run: string
  readonly at: number
  readonly from: string
  readonly to: string
  /** The procedure marks a clean point there. */
  readonly clean: boolean
  readonly cause: 'hours' | 'sign-off' | 'break' | null
}

/** Each time that a run of a plan goes into other hands, in order. */
export function handoversOf({ runs, people }: PlanProblem, plan: Plan): Handover[] {
  return runs
    .flatMap((run) => {
      const own = plan.placed.filter((p) => p.run === run.id)
      const handsOf = (segment: string) => own.find((p) => p.segment === segment)?.person
      return own.flatMap((p): Handover[] => {
        const segment = run.segments.find((s) => s.id === p.segment)
        if (!segment || p.person === null || !isHandedOver(run, segment, p.person, handsOf)) return []
        const before = workBefore(run, p.segment)
        const last = own
          .filter((o) => before.some((b) => b.id === o.segment))
          .toSorted((a, b) => b.end - a.end)[0]
        const from = last?.person ?? run.begunBy ?? ''
        const clean = before.some((b) => b.handover)
        return [{ run: run.id, at: p.start, from, to: p.person, clean, cause: causeOf(p, from) }]
      })
      function causeOf(p: Plan['placed'][number], from: string): Handover['cause'] {
        const person = people.find((x) => x.id === from)
        if (!run.signedOff.includes(from) && !run.learning.includes(from)) return 'sign-off'
        if (!person || person.to < p.end) return 'hours'
        const rests = plan.breaks.some((b) => b.person === from && b.start < p.end && p.start < b.end)
        return rests ? 'break' : null
      }
    })
    .toSorted((a, b) => a.at - b.at)
}
