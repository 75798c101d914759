import type { Plan, PlanPerson } from '../problem.ts'
import { areaOf } from './walks.ts'
import { isBegun, type Check, type Checked, type Violation } from './violation.ts'

interface Busy {
  readonly start: number
  readonly end: number
  /** Null for a break. */
  readonly run: string | null
}

/** What a person does over a plan, in order. */
export function workOf(plan: Plan, person: string): Busy[] {
  const work = plan.placed
    .filter((p) => p.person === person || p.helper === person)
    .map(({ start, end, run }) => ({ start, end, run }))
  const breaks = plan.breaks
    .filter((b) => b.person === person)
    .map(({ start, end }) => ({ start, end, run: null }))
  return [...work, ...breaks].toSorted((a, b) => a.start - b.start)
}

/** A person does one thing at a time, in their hours, and leaves after it. What was begun already goes on. */
export const hours: Check = ({ problem, plan, runs }) =>
  problem.people.flatMap((person): Violation[] => {
    const own = workOf(plan, person.id)
    const begun = (run: string | null) => {
      const of = run === null ? undefined : runs.get(run)
      return of !== undefined && isBegun(of)
    }
    const last = Math.max(person.from, 0, ...own.map((o) => o.end))
    const leaves = plan.leaves[person.id] ?? 0
    const lastBegun = Math.max(0, ...own.filter((o) => begun(o.run)).map((o) => o.end))
    return [
      ...(leaves > Math.max(person.most, lastBegun, 0)
        ? [{ constraint: 'hours' as const, person: person.id, is: leaves, limit: person.most }]
        : []),
      ...own.flatMap((o, i) => {
        const next = own[i + 1]
        return next && next.start < o.end
          ? [{ constraint: 'one-at-a-time' as const, person: person.id, run: o.run ?? '', at: next.start }]
          : []
      }),
      ...own
        .filter((o) => !begun(o.run) && (o.start < person.from || o.end > person.most))
        .map((o) => ({ constraint: 'hours' as const, person: person.id, run: o.run ?? '', at: o.start })),
      ...(leaves < last
        ? [{ constraint: 'leaves' as const, person: person.id, is: leaves, limit: last }]
        : []),
    ]
  })

/** Who does a run may do it: alone, or learning while somebody who may is by. */
export const signOffs: Check = (checked) => {
  const { plan, runs, segment } = checked
  return plan.placed.flatMap((p): Violation[] => {
    const run = runs.get(p.run)
    if (!run || p.person === null || segment(p)?.fixed || run.signedOff.includes(p.person)) return []
    const of = { person: p.person, run: p.run, segment: p.segment, at: p.start }
    return [
      ...(run.learning.includes(p.person) ? [] : [{ constraint: 'sign-off' as const, ...of }]),
      ...(run.signedOff.some((id) => isBy(checked, id, p))
        ? []
        : [{ constraint: 'somebody-by' as const, ...of }]),
    ]
  })
}

/** Whether somebody is by while a learner works: in their hours, on no break, and at no work in another place. */
function isBy(checked: Checked, id: string, p: Plan['placed'][number]): boolean {
  const { problem, plan } = checked
  const who: PlanPerson | undefined = problem.people.find((o) => o.id === id)
  if (!who || who.from > p.start || (plan.leaves[id] ?? 0) < p.end) return false
  const meanwhile = (o: { start: number; end: number }) => o.start < p.end && p.start < o.end
  if (plan.breaks.some((b) => b.person === id && meanwhile(b))) return false
  return !plan.placed.some(
    (o) => (o.person === id || o.helper === id) && meanwhile(o) && areaOf(checked, o) !== areaOf(checked, p),
  )
}

/** A break is taken once at most, whole, not too early, and by somebody whose break it is. */
export const breaks: Check = ({ problem, plan }) => {
  const theirs = (b: Plan['breaks'][number]) =>
    problem.people.some((p) => p.id === b.person && p.breaks.some((x) => x.id === b.id))
  const unknown = plan.breaks.filter((b) => !theirs(b))
  return [
    ...unknown.map((b): Violation => ({ constraint: 'break', person: b.person, at: b.start })),
    ...problem.people.flatMap((person) =>
      person.breaks.flatMap((b): Violation[] => {
        const taken = plan.breaks.filter((x) => x.person === person.id && x.id === b.id)
        const wrong = taken.find((x) => x.start < b.earliest || x.end - x.start !== b.minutes)
        return [
          ...(taken.length > 1
            ? [{ constraint: 'break' as const, person: person.id, is: taken.length, limit: 1 }]
            : []),
          ...(wrong
            ? [{ constraint: 'break' as const, person: person.id, at: wrong.start, limit: b.earliest }]
            : []),
        ]
      }),
    ),
  ]
}
