import type { Plan, PlanProblem } from './problem.ts'

/** What a plan does not bring about in time. Minutes. */
export interface Lateness {
  /** Runs that end after they must. */
  readonly late: readonly { readonly run: string; readonly minutes: number }[]
  /** People who leave after their hours. */
  readonly over: readonly { readonly person: string; readonly minutes: number }[]
}

/** Which runs of a plan end too late, and who is kept past their hours, each by how many minutes. */
export function latenessOf(problem: Pick<PlanProblem, 'runs' | 'people'>, plan: Plan): Lateness {
  const late = problem.runs.flatMap((r) => {
    const end = Math.max(0, ...plan.placed.filter((p) => p.run === r.id).map((p) => p.end))
    return end > r.latest ? [{ run: r.id, minutes: end - r.latest }] : []
  })
  const over = problem.people.flatMap((p) => {
    const minutes = (plan.leaves[p.id] ?? 0) - p.to
    return minutes > 0 ? [{ person: p.id, minutes }] : []
  })
  return { late, over }
}
