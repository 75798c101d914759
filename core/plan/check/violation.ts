import type { Placed, Plan, PlanProblem, PlanRun, PlanSegment } from '../problem.ts'

/** A hard constraint of a shift that a plan breaks. */
export type Constraint =
  | 'placed-once'
  | 'placed-whole'
  | 'earliest'
  | 'fresh'
  | 'machine-up'
  | 'duration'
  | 'horizon'
  | 'begun'
  | 'hands'
  | 'wait-begins'
  | 'lag'
  | 'wait-most'
  | 'pin'
  | 'one-at-a-time'
  | 'walk'
  | 'hours'
  | 'leaves'
  | 'break'
  | 'sign-off'
  | 'somebody-by'
  | 'place'
  | 'one-run-a-machine'
  | 'keep-up'
  | 'counters'
  | 'order'
  | 'objective'
  | 'task'
  | 'helper'
  | 'unknown'
  | 'untold'

/** One broken constraint: of what, at which minute, what it is and what it may be. */
export interface Violation {
  readonly constraint: Constraint
  readonly run?: string
  readonly segment?: string
  readonly person?: string
  readonly place?: string
  readonly at?: number
  readonly is?: number
  readonly limit?: number
}

/** From when to when a run lasts. */
export interface Spanned {
  readonly begin: number
  readonly end: number
}

/** A plan beside its problem, looked up once for all constraints. */
export interface Checked {
  readonly problem: PlanProblem
  readonly plan: Plan
  readonly runs: ReadonlyMap<string, PlanRun>
  /** The runs that are placed whole. */
  readonly whole: readonly {
    readonly run: PlanRun
    readonly own: readonly Placed[]
    readonly span: Spanned
  }[]
  /** Where a segment of a run is placed. */
  readonly at: (run: string, segment: string) => Placed | undefined
  readonly segment: (placed: Placed) => PlanSegment | undefined
}

/** Each constraint is one function: what of it a plan breaks. */
export type Check = (checked: Checked) => readonly Violation[]

export const isBegun = (run: PlanRun): boolean => run.segments.some((s) => s.fixed)

export function checkedOf(problem: PlanProblem, plan: Plan): Checked {
  const runs = new Map(problem.runs.map((r) => [r.id, r]))
  const key = (run: string, segment: string) => JSON.stringify([run, segment])
  const at = new Map(plan.placed.map((p) => [key(p.run, p.segment), p]))
  const unplaced = new Set(plan.unplaced.map((u) => u.run))
  const whole = problem.runs.flatMap((run) => {
    const own = plan.placed.filter((p) => p.run === run.id)
    if (unplaced.has(run.id) || own.length !== run.segments.length) return []
    const span = {
      begin: Math.min(Infinity, ...own.map((p) => p.start)),
      end: Math.max(0, ...own.map((p) => p.end)),
    }
    return [{ run, own, span }]
  })
  return {
    problem,
    plan,
    runs,
    whole,
    at: (run, segment) => at.get(key(run, segment)),
    segment: (p) => runs.get(p.run)?.segments.find((s) => s.id === p.segment),
  }
}
