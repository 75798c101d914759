import { describe, expect, it } from 'vitest'
import { planSearch, planViolations, type Plan, type PlanProblem } from '../../plan/index.ts'
import { noTerms, person, run, shift } from './little.ts'

/** Ana does one, Ben two: both begin at once, wash, soak in the sink's two bays, and finish by hand. Ben minds the bar till 5. */
const rest = { id: 'rest', minutes: 15, earliest: 40, latest: 60 }
const problem = shift([run('one', 'h10 w20<30@sink h5'), run('two', 'h10 w20<30@sink h5')], {
  people: [person('ana', { breaks: [rest] }), person('ben')],
  counters: [{ id: 'bar', name: 'Bar', need: [{ from: 40, to: 50, people: 1 }] }],
  places: { sink: 2 },
})
/** Free: Ana 120 - 15 - 5, Ben 120 - 5 for the bar, which both serve. Of 30 minutes of work each is to have their part of 215. */
const unfair = Math.abs(15 - (30 * 100) / 215) / 2 + Math.abs(15 - (30 * 115) / 215) / 2
const by = (who: string, of: string, start: number): Plan['placed'] => [
  { run: of, segment: 's0', person: who, start, end: start + 10 },
  { run: of, segment: 's1', person: null, start: start + 10, end: start + 30 },
  { run: of, segment: 's2', person: who, start: start + 30, end: start + 35 },
]
const plan: Plan = {
  format: 'tadka-plan@1',
  placed: [...by('ana', 'one', 0), ...by('ben', 'two', 0)],
  breaks: [{ person: 'ana', id: 'rest', start: 50, end: 65 }],
  unplaced: [],
  told: [],
  leaves: { ana: 65, ben: 50 },
  objective: {
    late: 0,
    // By the usual weights: paid by one, the last departure by two.
    price: 115 + 2 * 65 + unfair,
    last: 65,
    // Each has 15 minutes of work; Ana's share is less, for she has a break and its quarter of an hour off.
    terms: { ...noTerms, paid: 115, last: 65, unfair },
  },
}

type Placed = Plan['placed'][number]
const moved = (run: string, segment: string, to: Partial<Placed>): Plan => ({
  ...plan,
  placed: plan.placed.map((p) => (p.run === run && p.segment === segment ? { ...p, ...to } : p)),
})
const inRun = (id: string, more: Partial<PlanProblem['runs'][number]>): PlanProblem => ({
  ...problem,
  runs: problem.runs.map((r) => (r.id === id ? { ...r, ...more } : r)),
})
const fixed = { person: 'ana', start: 3 }
const [first, ...others] = problem.runs[0]?.segments ?? []

describe('a plan that keeps every constraint', () => {
  it('has no violation', () => expect(planViolations(problem, plan)).toEqual([]))
  it('has none either, whatever the planner makes of it', () => {
    const search = planSearch(problem, 1)
    search.improve(200)
    expect(planViolations(problem, search.plan())).toEqual([])
  })
})

describe('the checker finds', () => {
  it.each<[string, PlanProblem, Plan, object]>([
    [
      'a segment placed twice',
      problem,
      { ...plan, placed: [...plan.placed, ...plan.placed.slice(0, 1)] },
      { constraint: 'placed-once', run: 'one', segment: 's0' },
    ],
    [
      'a run without one of its segments',
      problem,
      { ...plan, placed: plan.placed.slice(1) },
      { constraint: 'placed-whole', run: 'one', is: 2, limit: 3 },
    ],
    [
      'a run that is unplaced and placed',
      problem,
      { ...plan, unplaced: [{ run: 'one', why: 'no-room' }] },
      { constraint: 'placed-whole', run: 'one', is: 3, limit: 0 },
    ],
    [
      'a run begun before its time',
      inRun('one', { earliest: 4 }),
      plan,
      { constraint: 'earliest', run: 'one', is: 0, limit: 4 },
    ],
    [
      'a run that is stale at its first use',
      inRun('one', { endsFrom: 90 }),
      plan,
      { constraint: 'fresh', run: 'one', is: 35, limit: 90 },
    ],
    [
      'a machine down while it must be up',
      {
        ...problem,
        stations: problem.stations.map((s) => (s.id === 'one' ? { ...s, up: [{ from: 30, to: 60 }] } : s)),
      },
      plan,
      { constraint: 'machine-up', run: 'one', is: 0, limit: 30 },
    ],
    [
      'work done in fewer minutes than it takes',
      problem,
      moved('one', 's0', { end: 8 }),
      { constraint: 'duration', segment: 's0', is: 8, limit: 10 },
    ],
    [
      'work past the end of the plan',
      { ...problem, horizon: 34 },
      plan,
      { constraint: 'horizon', run: 'one', is: 35, limit: 34 },
    ],
    [
      'what was begun and was moved',
      inRun('one', { segments: first ? [{ ...first, fixed }, ...others] : [] }),
      plan,
      { constraint: 'begun', run: 'one', is: 0, limit: 3 },
    ],
    [
      'work in nobody’s hands',
      problem,
      moved('one', 's0', { person: null }),
      { constraint: 'hands', run: 'one', segment: 's0' },
    ],
    [
      'a wait in somebody’s hands',
      problem,
      moved('one', 's1', { person: 'ana' }),
      { constraint: 'hands', run: 'one', segment: 's1' },
    ],
    [
      'a wait that begins when nobody is there',
      problem,
      moved('one', 's1', { start: 12, end: 32 }),
      { constraint: 'wait-begins', segment: 's1', is: 12, limit: 10 },
    ],
    [
      'what follows too soon',
      problem,
      moved('one', 's2', { start: 20, end: 25 }),
      { constraint: 'lag', segment: 's2', is: -10, limit: 0 },
    ],
    [
      'what follows too late',
      inRun('one', { links: (problem.runs[0]?.links ?? []).map((l) => ({ ...l, most: 2 })) }),
      moved('one', 's2', { start: 36, end: 41 }),
      { constraint: 'lag', segment: 's2', is: 6, limit: 2 },
    ],
    [
      'a wait that lasts longer than it may',
      problem,
      moved('one', 's2', { start: 45, end: 50 }),
      { constraint: 'wait-most', segment: 's1', is: 35, limit: 30 },
    ],
    [
      'a run begun at another minute than was decided',
      { ...problem, pins: [{ run: 'one', person: null, start: 5 }] },
      plan,
      { constraint: 'pin', run: 'one', is: 0, limit: 5 },
    ],
    [
      'a run done by another than was decided',
      { ...problem, pins: [{ run: 'one', person: 'ben', start: null }] },
      plan,
      { constraint: 'pin', run: 'one', person: 'ana' },
    ],
    [
      'a person at two things at once',
      problem,
      moved('two', 's0', { person: 'ana' }),
      { constraint: 'one-at-a-time', person: 'ana', at: 0 },
    ],
    [
      'work outside somebody’s hours',
      { ...problem, people: [person('ana', { breaks: [rest], most: 34 }), person('ben')] },
      plan,
      { constraint: 'hours', person: 'ana', at: 30 },
    ],
    [
      'somebody who leaves before their work ends',
      problem,
      { ...plan, leaves: { ana: 65, ben: 20 } },
      { constraint: 'leaves', person: 'ben', is: 20, limit: 35 },
    ],
    [
      'a break that is taken twice',
      problem,
      { ...plan, breaks: [...plan.breaks, ...plan.breaks] },
      { constraint: 'break', person: 'ana', is: 2, limit: 1 },
    ],
    [
      'a break that is cut short',
      problem,
      { ...plan, breaks: [{ person: 'ana', id: 'rest', start: 50, end: 60 }] },
      { constraint: 'break', at: 50 },
    ],
    [
      'a break before its time',
      problem,
      { ...plan, breaks: [{ person: 'ana', id: 'rest', start: 35, end: 50 }] },
      { constraint: 'break', at: 35 },
    ],
    [
      'somebody who may not do it',
      inRun('one', { signedOff: ['ben'] }),
      plan,
      { constraint: 'sign-off', person: 'ana', run: 'one' },
    ],
    [
      'a learner with nobody by',
      inRun('one', { signedOff: ['ben'], learning: ['ana'] }),
      plan,
      { constraint: 'somebody-by', person: 'ana', run: 'one' },
    ],
    [
      'more at a shared place than there is room',
      { ...problem, places: { sink: 1 } },
      plan,
      { constraint: 'place', place: 'sink', at: 10, is: 2, limit: 1 },
    ],
    [
      'two runs on one machine',
      { ...problem, runs: problem.runs.map((r) => ({ ...r, station: 'one' })) },
      plan,
      { constraint: 'one-run-a-machine', at: 0 },
    ],
    [
      'too many machines of a kind down',
      { ...problem, keepUp: [{ stations: ['one', 'two'], mostDown: 1 }] },
      plan,
      { constraint: 'keep-up', at: 0, is: 2, limit: 1 },
    ],
    [
      'a counter that nobody is left for',
      problem,
      { ...plan, leaves: { ana: 65, ben: 40 }, breaks: [{ person: 'ana', id: 'rest', start: 40, end: 55 }] },
      { constraint: 'counters', at: 40, is: 0, limit: 1 },
    ],
    [
      'what must come last and does not',
      { ...problem, orders: [{ before: 'one', after: 'two' }] },
      plan,
      { constraint: 'order', run: 'two', is: 0, limit: 35 },
    ],
    [
      'an objective that is not so',
      problem,
      { ...plan, objective: { ...plan.objective, last: 60 } },
      { constraint: 'objective', is: 60, limit: 65 },
    ],
  ])('%s', (_, of, broken, found) =>
    expect(planViolations(of, broken)).toContainEqual(expect.objectContaining(found)),
  )
})

/** What of the hard constraints is broken; a changed problem counts up to another objective. */
const broken = (of: PlanProblem, made: Plan) =>
  planViolations(of, made).flatMap((v) => (v.constraint === 'objective' ? [] : [v.constraint]))

describe('the checker allows', () => {
  it('a learner, where somebody who may do it is by in the same place', () => {
    const galley = problem.stations.map((s) => ({ ...s, place: 'galley' }))
    const of = { ...inRun('one', { signedOff: ['ben'], learning: ['ana'] }), stations: galley }
    expect(broken(of, plan)).toEqual([])
  })
  it('what was begun outside the hours to go on', () => {
    const begun = first ? [{ ...first, fixed: { person: 'ana', start: 0 } }, ...others] : []
    const of = {
      ...inRun('one', { segments: begun, earliest: 20 }),
      people: [person('ana', { breaks: [rest], most: 34 }), person('ben')],
    }
    const kept = { ...plan, breaks: [] }
    const missing = { kind: 'break-missing', person: 'ana', id: 'rest' } as const
    expect(broken(of, { ...kept, told: [missing], leaves: { ana: 35, ben: 65 } })).toEqual([])
    expect(broken(of, { ...kept, leaves: { ana: 35, ben: 65 } })).toEqual(['untold'])
  })
  it('an empty counter that not even everybody could mind, where who can serve does not clean', () => {
    const of = { ...problem, people: problem.people.map((p) => ({ ...p, serves: [] })) }
    expect(broken(of, plan)).toEqual([])
  })
})
