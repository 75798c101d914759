import { latenessOf, type Lateness } from './late.ts'
import type { Objective, Plan, PlanProblem } from './problem.ts'
import { planSearch } from './search.ts'

/** Something that would have to give way. */
export type WayOut =
  | { readonly kind: 'put-off'; readonly run: string }
  | { readonly kind: 'stay'; readonly person: string; readonly minutes: number }
  | { readonly kind: 'person'; readonly until: number }
  | { readonly kind: 'down-sooner'; readonly station: string }
  | { readonly kind: 'counter'; readonly counter: string }

export interface Priced {
  readonly way: WayOut
  readonly objective: Objective
  readonly unplaced: number
  /** What is late all the same. */
  readonly left: Lateness
}

/** Kinds of constraint that may stand in the way. */
export type Reason = 'hours' | 'counters' | 'stations' | 'sign-offs' | 'places' | 'keep-up' | 'order'

/** Iterations of each trial: enough to tell whether it helps. */
const trial = 250
const longerMinutes = 30

const inTime = (plan: Plan) => plan.unplaced.length === 0 && plan.objective.late === 0

/**
 * The cheapest ways out of a plan in which something is late, unplaced or past somebody's hours: each tried by planning anew,
 * those that help kept, the best first. Empty where nothing is wrong. Not proved: a longer search may find more.
 */
export function waysOut(problem: PlanProblem, plan: Plan, seed = 1): Priced[] {
  if (inTime(plan)) return []
  const now = { unplaced: plan.unplaced.length, late: plan.objective.late }
  return candidates(problem, plan)
    .map((way): Priced => {
      const eased = relieved(problem, way)
      const search = planSearch(eased, seed, plan)
      search.improve(trial)
      const found = search.plan()
      const left = latenessOf(eased, found)
      return { way, objective: found.objective, unplaced: found.unplaced.length, left }
    })
    .filter((p) => p.unplaced < now.unplaced || (p.unplaced === now.unplaced && p.objective.late < now.late))
    .toSorted(
      (a, b) =>
        a.unplaced - b.unplaced || a.objective.late - b.objective.late || a.objective.last - b.objective.last,
    )
}

function candidates(problem: PlanProblem, plan: Plan): WayOut[] {
  const { late, over } = latenessOf(problem, plan)
  const troubled = problem.runs.filter(
    (r) => plan.unplaced.some((u) => u.run === r.id) || late.some((l) => l.run === r.id),
  )
  const theirs = plan.placed.filter((p) => over.some((o) => o.person === p.person)).map((p) => p.run)
  const open = problem.runs.filter((r) => !r.segments.some((s) => s.fixed))
  return [
    ...open
      .filter((r) => troubled.includes(r) || theirs.includes(r.id))
      .map((r): WayOut => ({ kind: 'put-off', run: r.id })),
    ...problem.people.map((p): WayOut => ({ kind: 'stay', person: p.id, minutes: longerMinutes })),
    { kind: 'person', until: problem.horizon },
    ...[...new Set(troubled.map((r) => r.station))]
      .filter((id) => problem.stations.find((s) => s.id === id)?.up.length)
      .map((station): WayOut => ({ kind: 'down-sooner', station })),
    ...problem.counters
      .filter((c) => c.need.some((n) => n.people > 1))
      .map((c): WayOut => ({ kind: 'counter', counter: c.id })),
  ]
}

/** The problem with one thing given way. */
export function relieved(problem: PlanProblem, way: WayOut): PlanProblem {
  switch (way.kind) {
    case 'put-off':
      return { ...problem, runs: problem.runs.filter((r) => r.id !== way.run) }
    case 'stay':
      return {
        ...problem,
        horizon: problem.horizon + way.minutes,
        people: problem.people.map((p) =>
          p.id === way.person ? { ...p, to: p.to + way.minutes, most: p.most + way.minutes } : p,
        ),
      }
    case 'person':
      return withAnother(problem, way.until)
    case 'down-sooner':
      return {
        ...problem,
        stations: problem.stations.map((s) => (s.id === way.station ? { ...s, up: [] } : s)),
      }
    case 'counter':
      return {
        ...problem,
        counters: problem.counters.map((c) =>
          c.id === way.counter
            ? { ...c, need: c.need.map((n) => ({ ...n, people: Math.min(1, n.people) })) }
            : c,
        ),
      }
  }
}

/** Somebody more, signed off for all of it. */
function withAnother(problem: PlanProblem, until: number): PlanProblem {
  const id = 'another'
  return {
    ...problem,
    people: [
      ...problem.people,
      {
        id,
        name: '',
        from: 0,
        to: until,
        most: until,
        serves: problem.counters.map((c) => c.id),
        breaks: [],
        home: null,
      },
    ],
    runs: problem.runs.map((r) => ({ ...r, signedOff: [...r.signedOff, id] })),
  }
}

/**
 * A smallest set of kinds of constraint without which everything could be in time: taking out any one of them from the set no longer
 * helps. Null where not even all of them together do. Found by planning anew (deletion filter), not proved.
 */
export function reasonsFor(problem: PlanProblem, plan: Plan, seed = 1): Reason[] | null {
  if (inTime(plan)) return []
  const works = (without: readonly Reason[]) => {
    const search = planSearch(without.reduce(freed, problem), seed)
    for (let n = 0; n < 4 && !inTime(search.plan()); n++) search.improve(trial / 2)
    return inTime(search.plan())
  }
  let set: Reason[] = ['order', 'places', 'keep-up', 'stations', 'counters', 'sign-offs', 'hours']
  if (!works(set)) return null
  for (const one of [...set]) {
    const fewer = set.filter((r) => r !== one)
    if (works(fewer)) set = fewer
  }
  return set
}

/** The problem without one kind of constraint. */
export function freed(problem: PlanProblem, reason: Reason): PlanProblem {
  switch (reason) {
    case 'hours': {
      const longer = problem.horizon + 120
      return {
        ...problem,
        horizon: longer,
        people: problem.people.map((p) => ({ ...p, to: longer, most: longer })),
      }
    }
    case 'counters':
      return { ...problem, counters: [] }
    case 'stations':
      return { ...problem, stations: problem.stations.map((s) => ({ ...s, up: [] })) }
    case 'sign-offs': {
      const all = problem.people.map((p) => p.id)
      return { ...problem, runs: problem.runs.map((r) => ({ ...r, signedOff: all, learning: [] })) }
    }
    case 'places':
      return { ...problem, places: {} }
    case 'keep-up':
      return { ...problem, keepUp: [] }
    case 'order':
      return { ...problem, orders: [] }
  }
}
