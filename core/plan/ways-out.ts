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
  /** Minutes past when everybody is to be gone. */
  readonly over: number
  /** What is late all the same. */
  readonly left: Lateness
}

/** Kinds of constraint that may stand in the way. */
export type Reason = 'hours' | 'counters' | 'stations' | 'sign-offs' | 'places' | 'keep-up' | 'order'

/** Iterations of each trial: enough to tell whether it helps. */
const trial = 250
const longerMinutes = 30

/** Ways that are tried at most, and iterations of all reasons together: it ends, however large the shift. */
const mostWays = 16

/** Whether a plan is as it was asked for: all of it, nothing late or told, and everybody gone by when they are to be. */
export const isWanted = ({ closedBy }: Pick<PlanProblem, 'closedBy'>, plan: Plan): boolean =>
  plan.unplaced.length === 0 &&
  plan.objective.late === 0 &&
  plan.told.length === 0 &&
  (closedBy === undefined || plan.objective.last <= closedBy)

/**
 * The cheapest ways out of a plan that is not as it was asked for: each tried by planning anew, one a step, so that whoever asked may
 * stop. Ends with those that help, the best first; none where nothing is wrong. Not proved: a longer search may find more.
 */
export function* waysOut(problem: PlanProblem, plan: Plan, seed = 1): Generator<void, Priced[]> {
  if (isWanted(problem, plan)) return []
  const over = (p: Plan) => Math.max(0, p.objective.last - (problem.closedBy ?? Number.POSITIVE_INFINITY))
  const worth = (p: Pick<Priced, 'unplaced' | 'objective' | 'over'>) => [p.unplaced, p.objective.late, p.over]
  const compare = (a: readonly number[], b: readonly number[]) => {
    const at = a.findIndex((v, i) => v !== b[i])
    return at < 0 ? 0 : (a[at] ?? 0) - (b[at] ?? 0)
  }
  const now = [plan.unplaced.length, plan.objective.late, over(plan)]
  const found: Priced[] = []
  for (const way of candidates(problem, plan).slice(0, mostWays)) {
    const eased = relieved(problem, way)
    const search = planSearch(eased, seed, plan)
    search.improve(trial)
    const made = search.plan()
    const left = latenessOf(eased, made)
    found.push({ way, objective: made.objective, unplaced: made.unplaced.length, over: over(made), left })
    yield
  }
  return found
    .filter((p) => compare(worth(p), now) < 0)
    .toSorted((a, b) => compare([...worth(a), a.objective.price], [...worth(b), b.objective.price]))
}

/** What may give way: first what is wrong itself, then what would give it room. */
function candidates(problem: PlanProblem, plan: Plan): WayOut[] {
  const { late, over } = latenessOf(problem, plan)
  const open = problem.runs.filter((r) => !r.segments.some((s) => s.fixed))
  const troubled = open.filter(
    (r) => plan.unplaced.some((u) => u.run === r.id) || late.some((l) => l.run === r.id),
  )
  const theirs = new Set(plan.placed.filter((p) => over.some((o) => o.person === p.person)).map((p) => p.run))
  const endOf = (run: string) => Math.max(0, ...plan.placed.filter((p) => p.run === run).map((p) => p.end))
  // Nobody is late, yet somebody is to be gone sooner: what ends last may wait.
  const isLate = troubled.length + theirs.size > 0
  const last = isLate ? [] : open.toSorted((a, b) => endOf(b.id) - endOf(a.id)).slice(0, 6)
  const off = [...new Set([...troubled, ...open.filter((r) => theirs.has(r.id)), ...last])]
  return [
    { kind: 'person', until: problem.horizon },
    ...problem.people.map((p): WayOut => ({ kind: 'stay', person: p.id, minutes: longerMinutes })),
    ...off.map((r): WayOut => ({ kind: 'put-off', run: r.id })),
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
 * A smallest set of kinds of constraint without which everything could be as asked: taking out any one of them from the set no longer
 * helps. One trial a step; ends with null where not even all of them together do. Found by planning anew (deletion filter), not proved.
 */
export function* reasonsFor(problem: PlanProblem, plan: Plan, seed = 1): Generator<void, Reason[] | null> {
  if (isWanted(problem, plan)) return []
  function* works(without: readonly Reason[]): Generator<void, boolean> {
    const eased = without.reduce(freed, problem)
    const search = planSearch(eased, seed)
    for (let n = 0; n < 4 && !isWanted(eased, search.plan()); n++) {
      search.improve(trial / 2)
      yield
    }
    return isWanted(eased, search.plan())
  }
  let set: Reason[] = ['order', 'places', 'keep-up', 'stations', 'counters', 'sign-offs', 'hours']
  if (!(yield* works(set))) return null
  for (const one of [...set]) {
    const fewer = set.filter((r) => r !== one)
    if (yield* works(fewer)) set = fewer
  }
  return set
}

/** What a search that goes step by step comes to, all at once. */
export function atOnce<T>(steps: Generator<void, T>): T {
  for (;;) {
    const step = steps.next()
    if (step.done) return step.value
  }
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
