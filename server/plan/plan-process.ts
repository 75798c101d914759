import { boundOf, planSearch, type PlanProblem } from '@tadka/core/plan'

/** A process that plans one problem and ends: the same code as in the browser, off the server's thread. */
process.once('message', (asked: { problem: PlanProblem; seed: number; iterations: number }) => {
  const search = planSearch(asked.problem, asked.seed)
  search.improve(asked.iterations)
  const plan = search.plan()
  const bound = boundOf(
    asked.problem,
    plan.unplaced.map((u) => u.run),
    plan.objective.late,
  )
  process.send?.({ plan, bound }, () => process.exit(0))
})
