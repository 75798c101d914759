import type { Check, Violation } from './violation.ts'

/** One task stays in one pair of hands, and what needs two has a helper who is nobody else. */
export const tasks: Check = ({ problem, plan, segment }) =>
  problem.runs.flatMap((run): Violation[] => {
    const own = plan.placed.filter((p) => p.run === run.id)
    const of = (p: (typeof own)[number], constraint: Violation['constraint']): Violation => ({
      constraint,
      run: run.id,
      segment: p.segment,
      at: p.start,
    })
    const taskOf = (p: (typeof own)[number]) => segment(p)?.task
    const first = new Map(
      own.flatMap((p) => (taskOf(p) === undefined ? [] : [[taskOf(p), p.person] as const])),
    )
    return own.flatMap((p): Violation[] => {
      const task = taskOf(p)
      const needsTwo = segment(p)?.hands === 2 && !segment(p)?.fixed
      const helps =
        p.helper !== undefined && p.helper !== p.person && problem.people.some((x) => x.id === p.helper)
      return [
        ...(task !== undefined && first.get(task) !== p.person ? [of(p, 'task')] : []),
        ...(needsTwo ? (helps ? [] : [of(p, 'helper')]) : p.helper === undefined ? [] : [of(p, 'helper')]),
      ]
    })
  })
