import { planSearch, type Plan, type PlanProblem } from '@tadka/core/plan'

/**
 * The ways it is done by hand, as plans of the same problem under the same constraints. `first-come`: the planner's first rule of
 * thumb, each duty in the order in which it falls due, whoever is free first. `one-machine-after-another`: each run in one pair of
 * hands, which begins its next run only when it is done with the last.
 */
export function byHand(
  problem: PlanProblem,
  way: 'first-come' | 'one-machine-after-another',
): { readonly problem: PlanProblem; readonly plan: Plan } {
  const asked =
    way === 'first-come' ? problem : { ...problem, runs: problem.runs.map(inOneGo), pins: shared(problem) }
  return { problem: asked, plan: planSearch(asked).byRule(0) }
}

/** Each run given to who is signed off for it and has the least to do. */
function shared(problem: PlanProblem): PlanProblem['pins'] {
  const load = new Map(problem.people.map((p) => [p.id, 0]))
  return problem.runs.flatMap((run) => {
    const person = run.signedOff.toSorted((a, b) => (load.get(a) ?? 0) - (load.get(b) ?? 0))[0]
    if (!person) return []
    const minutes = run.segments.reduce((sum, s) => sum + s.minutes, 0)
    load.set(person, (load.get(person) ?? 0) + minutes)
    return [{ run: run.id, person, start: null }]
  })
}

/** Its waits are stood by: who does it does nothing else meanwhile. */
const inOneGo = (run: PlanProblem['runs'][number]): PlanProblem['runs'][number] => ({
  ...run,
  segments: run.segments.map((s) => ({ ...s, kind: 'hands-on' as const, most: null })),
})
