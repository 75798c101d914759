import {
  boundOf,
  planSearch,
  planViolations,
  type Bound,
  type Plan,
  type PlanProblem,
} from '@tadka/core/plan'
import type { Job } from '../work/work.ts'

export interface PlanAsked {
  readonly problem: PlanProblem
  readonly seed: number
  readonly iterations: number
}
export interface Planned {
  readonly plan: Plan
  readonly bound: Bound
}

/** Plans one problem: the same code as in the browser. */
export default function planJob({ asked: { problem, seed, iterations } }: Job<PlanAsked>): Planned {
  const search = planSearch(problem, seed)
  search.improve(iterations)
  const plan = search.plan()
  const [broken] = planViolations(problem, plan)
  if (broken) throw new Error(`a plan breaks its problem: ${JSON.stringify(broken)}`)
  const bound = boundOf(problem, plan, plan.objective.late)
  if (bound.last > plan.objective.last || bound.late > plan.objective.late)
    throw new Error(`a bound past its plan: ${JSON.stringify(bound)}`)
  return { plan, bound }
}
