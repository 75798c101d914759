import type { Plan, PlanProblem, Span, Told } from '../problem.ts'
import type { Check, Violation } from './violation.ts'

/** What a plan breaks because it must: breaks first, then who is alone, then machines. */
export function toldOf(problem: PlanProblem, plan: Omit<Plan, 'told'>): Told[] {
  return [
    ...breaksTold(problem, plan),
    ...aloneTold(problem, plan),
    ...keysTold(problem, plan),
    ...downTold(problem, plan),
  ]
}

const breaksTold = ({ people }: PlanProblem, { breaks }: Omit<Plan, 'told'>): Told[] =>
  people.flatMap((p) =>
    p.breaks.flatMap(({ id, latest }): Told[] => {
      const taken = breaks.find((b) => b.person === p.id && b.id === id)
      if (!taken) return [{ kind: 'break-missing', person: p.id, id }]
      const minutes = taken.start - latest
      return minutes > 0 ? [{ kind: 'break-late', person: p.id, id, minutes }] : []
    }),
  )

/** When exactly one of the people is there. */
function aloneTold({ people, neverAlone }: PlanProblem, { leaves }: Omit<Plan, 'told'>): Told[] {
  if (!neverAlone) return []
  const there = people.map((p) => ({ id: p.id, from: Math.max(0, p.from), to: leaves[p.id] ?? 0 }))
  const marks = [...new Set(there.flatMap((p) => [p.from, p.to]))].toSorted((a, b) => a - b)
  return marks.slice(1).flatMap((to, n): Told[] => {
    const from = marks[n] ?? 0
    const [only, ...others] = there.filter((p) => p.from <= from && p.to >= to)
    return only && others.length === 0 ? [{ kind: 'alone', person: only.id, from, to }] : []
  })
}

function keysTold({ people, keys }: PlanProblem, { leaves }: Omit<Plan, 'told'>): Told[] {
  if (!keys) return []
  const last = (ids: readonly string[]) => Math.max(0, ...ids.map((id) => leaves[id] ?? 0))
  const [from, to] = [
    last(keys.filter((id) => people.some((p) => p.id === id))),
    last(people.map((p) => p.id)),
  ]
  return from < to ? [{ kind: 'no-keys', from, to }] : []
}

/** A begun run holds its machine on, also where it must be up. */
const downTold = ({ runs, stations }: PlanProblem, { placed }: Omit<Plan, 'told'>): Told[] =>
  runs
    .filter((r) => r.segments.some((s) => s.fixed))
    .flatMap((run): Told[] => {
      const own = placed.filter((p) => p.run === run.id)
      const [begin, end] = [Math.min(...own.map((p) => p.start)), Math.max(...own.map((p) => p.end))]
      const over = ({ from, to }: Span): Span => ({ from: Math.max(from, begin), to: Math.min(to, end) })
      return (stations.find((s) => s.id === run.station)?.up ?? [])
        .map(over)
        .flatMap((s): Told[] => (s.from < s.to ? [{ kind: 'machine-down', run: run.id, ...s }] : []))
    })

/** What a plan breaks because it must is said, with its minutes, and nothing is said that is not so. */
export const told: Check = ({ problem, plan }) => {
  const lines = (all: readonly object[]) => all.map((t) => JSON.stringify(Object.entries(t).toSorted()))
  const [is, said] = [lines(toldOf(problem, plan)), lines(plan.told)]
  const wrong = [...is.filter((t) => !said.includes(t)), ...said.filter((t) => !is.includes(t))]
  return wrong.map((): Violation => ({ constraint: 'untold', is: said.length, limit: is.length }))
}
