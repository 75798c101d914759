import type { Check, Violation } from './violation.ts'

/** Every run is placed or said to be left out; nothing is there that the problem does not know, and nothing twice. */
export const names: Check = ({ problem, plan, runs, segment }) => {
  const people = new Set(problem.people.map((p) => p.id))
  const known = (id: string | null | undefined) => id === null || id === undefined || people.has(id)
  const twice = plan.unplaced.filter((u, i) => plan.unplaced.findIndex((o) => o.run === u.run) !== i)
  return [
    ...plan.placed
      .filter((p) => !segment(p) || ![p.person, p.by, p.helper].every(known) || p.end < p.start)
      .map((p): Violation => ({ constraint: 'unknown', run: p.run, segment: p.segment })),
    ...[...plan.unplaced.filter((u) => !runs.has(u.run)), ...twice].map((u): Violation => ({
      constraint: 'unknown',
      run: u.run,
    })),
    ...Object.keys(plan.leaves)
      .filter((id) => !people.has(id))
      .map((person): Violation => ({ constraint: 'unknown', person })),
    ...problem.people
      .filter((p) => plan.leaves[p.id] === undefined)
      .map((p): Violation => ({ constraint: 'leaves', person: p.id })),
  ]
}
