import type { Plan, PlanProblem } from '../problem.ts'
import { counters } from './counters.ts'
import { links } from './links.ts'
import { breaks, hours, signOffs } from './people.ts'
import { objective } from './objective.ts'
import { pins } from './pins.ts'
import { placement } from './placement.ts'
import { segments } from './segments.ts'
import { machines, orders, places } from './shared.ts'
import { tasks } from './tasks.ts'
import { names } from './names.ts'
import { told } from './told.ts'
import { checkedOf, type Check, type Violation } from './violation.ts'
import { walks } from './walks.ts'
import { windows } from './windows.ts'

const checks: readonly Check[] = [
  placement,
  windows,
  segments,
  links,
  pins,
  hours,
  breaks,
  signOffs,
  walks,
  places,
  machines,
  counters,
  orders,
  tasks,
  names,
  told,
  objective,
]

/**
 * Every hard constraint of a problem that a plan breaks, and an objective that does not agree with a count of its own. It shares no code
 * with the planner's own count on purpose. Empty where the plan keeps them all.
 */
export function planViolations(problem: PlanProblem, plan: Plan): Violation[] {
  const checked = checkedOf(problem, plan)
  return checks.flatMap((check) => check(checked))
}
