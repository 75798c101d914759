import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  atOnce,
  boundOf,
  planViolations,
  changesBetween,
  heldNear,
  otherwise,
  planSearch,
  reasonsFor,
  relieved,
  shiftedPlan,
  waysOut,
  worthChanging,
  type Plan,
  type PlanProblem,
} from '../../plan/index.ts'
import { madeUp } from './instances.ts'
import { run, shift } from './little.ts'

const sizes = fc.record({
  seed: fc.integer({ min: 1, max: 10_000 }),
  runs: fc.integer({ min: 1, max: 9 }),
  people: fc.integer({ min: 1, max: 5 }),
  counters: fc.integer({ min: 1, max: 3 }),
  ownMinutes: fc.boolean(),
  learners: fc.boolean(),
})
type Sizes = typeof sizes extends fc.Arbitrary<infer S> ? S : never
const made = (s: Sizes): PlanProblem =>
  madeUp(s.seed, { ...s, grid: 1, pieces: [1, 6], horizon: 240, trade: 70 })
const planned = (problem: PlanProblem, iterations = 60, seed = 1): Plan => {
  const search = planSearch(problem, seed)
  search.improve(iterations)
  return search.plan()
}

/** Two people, one counter until minute 30, three runs of a machine each. */
const little = (more: Partial<PlanProblem> = {}): PlanProblem =>
  shift(
    ['one', 'two', 'three'].map((id) => run(id, 'h10 w20<30 h5')),
    more,
  )
const runOf = (problem: PlanProblem, id: string) =>
  problem.runs.find((r) => r.id === id) as PlanProblem['runs'][number]
const withRun = (
  problem: PlanProblem,
  id: string,
  more: Partial<PlanProblem['runs'][number]>,
): PlanProblem => ({
  ...problem,
  runs: problem.runs.map((r) => (r.id === id ? { ...r, ...more } : r)),
})

describe('every plan', () => {
  it('keeps every hard constraint, the first one and those that search finds', () => {
    fc.assert(
      fc.property(sizes, (s) => {
        const problem = made(s)
        const search = planSearch(problem)
        expect(planViolations(problem, search.plan())).toEqual([])
        search.improve(60)
        expect(planViolations(problem, search.plan())).toEqual([])
      }),
      { numRuns: 60 },
    )
  })
  it('keeps them where a few of many runs are placed anew, tied ones with them', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 10_000 }), (seed) => {
        const many = madeUp(seed, {
          runs: 14,
          people: 4,
          counters: 2,
          grid: 1,
          pieces: [2, 6],
          horizon: 300,
          trade: 70,
          ownMinutes: seed % 2 === 0,
          learners: seed % 3 > 0,
        })
        const [a, b, c, d] = many.runs
        const tied: PlanProblem = {
          ...many,
          keepUp: [{ stations: [a?.station ?? '', b?.station ?? ''], mostDown: 1 }],
          orders: [{ before: c?.id ?? '', after: d?.id ?? '' }],
        }
        const search = planSearch(tied, seed)
        for (let n = 0; n < 5; n++) {
          search.improve(40)
          expect(planViolations(tied, search.plan())).toEqual([])
        }
        const { objective } = search.plan()
        const bound = boundOf(tied, search.plan(), objective.late)
        expect(objective.last).toBeGreaterThanOrEqual(bound.last)
        expect(objective.late).toBeGreaterThanOrEqual(bound.late)
        expect(objective.terms.paid).toBeGreaterThanOrEqual(bound.paid)
      }),
      { numRuns: 12 },
    )
  })
  it('places each duty once or says why not, and never ends before the proved bound', () => {
    fc.assert(
      fc.property(sizes, (s) => {
        const problem = made(s)
        const plan = planned(problem)
        const left = plan.unplaced.map((u) => u.run)
        expect([...new Set(plan.placed.map((p) => p.run)), ...left].toSorted()).toEqual(
          problem.runs.map((r) => r.id).toSorted(),
        )
        expect(plan.objective.last).toBeGreaterThanOrEqual(boundOf(problem, plan).last)
        expect(plan.objective.late).toBeGreaterThanOrEqual(boundOf(problem, plan).late)
      }),
      { numRuns: 60 },
    )
  })
  it('is the same for the same problem, seed and iterations', () => {
    const problem = madeUp(5, {
      runs: 8,
      people: 4,
      counters: 2,
      grid: 1,
      pieces: [2, 6],
      horizon: 240,
      trade: 70,
    })
    expect(planned(problem, 300, 7)).toEqual(planned(problem, 300, 7))
  })
  it('never becomes worse as the search goes on', () => {
    const search = planSearch(
      madeUp(9, { runs: 8, people: 3, counters: 2, grid: 1, pieces: [2, 6], horizon: 240, trade: 70 }),
    )
    let before = search.plan().objective
    for (let n = 0; n < 10; n++) {
      search.improve(100)
      const { late, price } = search.plan().objective
      expect(late < before.late || (late === before.late && price <= before.price)).toBe(true)
      before = search.plan().objective
    }
  })
})

describe('what people decided', () => {
  it('holds: a pinned run is begun when it was pinned, by whom', () => {
    const problem = little({ pins: [{ run: 'two', person: 'ben', start: 40 }] })
    const plan = planned(problem)
    expect(planViolations(problem, plan)).toEqual([])
    const own = plan.placed.filter((p) => p.run === 'two')
    expect(own[0]).toMatchObject({ start: 40, person: 'ben' })
    expect(own.at(-1)?.person).toBe('ben')
  })
  it('is refused with its reason where it cannot be', () => {
    const up = little({ pins: [{ run: 'two', person: null, start: 10 }] })
    const stations = up.stations.map((s) => (s.id === 'two' ? { ...s, up: [{ from: 0, to: 30 }] } : s))
    expect(planned({ ...up, stations }).unplaced).toEqual([{ run: 'two', why: 'pin' }])
    expect(planned(withRun(little(), 'two', { signedOff: [] })).unplaced).toEqual([
      { run: 'two', why: 'no-person' },
    ])
  })
  it('what has begun stays where it is', () => {
    const a = runOf(little(), 'one').segments.map((s, i) =>
      i === 0 ? { ...s, fixed: { person: 'ben', start: 3 } } : s,
    )
    const problem = withRun(little(), 'one', { segments: a })
    const plan = planned(problem)
    expect(plan.placed.find((p) => p.run === 'one')).toMatchObject({ person: 'ben', start: 3 })
    expect(planViolations(problem, plan)).toEqual([])
  })
})

describe('people', () => {
  it('all away: every duty is told as unplaced, and nobody leaves late', () => {
    const plan = planned(little({ people: [] }))
    expect(plan.unplaced.map((u) => u.why)).toEqual(['no-person', 'no-person', 'no-person'])
    expect(plan.objective.last).toBe(0)
  })
  it('who goes home in the middle of a run hands it over', () => {
    const base = little()
    const problem = little({
      people: base.people.map((p) => (p.id === 'ana' ? { ...p, to: 45, most: 45 } : p)),
      runs: [{ ...runOf(base, 'one'), earliest: 31 }],
    })
    const plan = planned(withRun(problem, 'one', { signedOff: ['ana', 'ben'] }), 200)
    expect(planViolations(problem, plan)).toEqual([])
    expect(plan.unplaced).toEqual([])
    expect(plan.placed.at(-1)?.person).toBe('ben')
  })
  it('who learns works only while somebody signed off is there', () => {
    const base = withRun(little(), 'one', { signedOff: ['ben'], learning: ['ana'] })
    const problem = {
      ...base,
      runs: [runOf(base, 'one')],
      people: base.people.map((p) => (p.id === 'ben' ? { ...p, to: 28, most: 28 } : p)),
    }
    const plan = planned(problem)
    expect(planViolations(problem, plan)).toEqual([])
    expect(plan.placed.filter((p) => p.person === 'ana').every((p) => p.end <= 28)).toBe(true)
  })
  it('who learns waits while all who are signed off work in other places', () => {
    const alone = run('far', 'h15 h15', { signedOff: ['ben'] })
    const learned = run('near', 'h10', { signedOff: ['ben'], learning: ['ana'] })
    const problem = shift([alone, learned], { counters: [] })
    const apart = planned(problem, 300)
    expect(planViolations(problem, apart)).toEqual([])
    // Ben does the far one, or is by for Ana: not both at once.
    expect(apart.objective.last).toBe(40)
    const together = {
      ...problem,
      stations: problem.stations.map((s) => ({ ...s, place: 'galley' })),
    }
    const plan = planned(together, 300)
    expect(planViolations(together, plan)).toEqual([])
    expect(plan.objective.last).toBe(30)
    expect(plan.placed.find((p) => p.run === 'near')).toMatchObject({ person: 'ana', by: 'ben' })
    expect(planViolations(problem, plan)).toMatchObject([
      { constraint: 'somebody-by', person: 'ana', run: 'near', segment: 's0' },
    ])
  })
  it('take their own minutes, and the quicker one is asked', () => {
    const slow = { ana: 12, ben: 6 }
    const one = run('one', 'h10')
    const segments = one.segments.map((s) => ({ ...s, minutesBy: slow }))
    const problem = shift([{ ...one, segments }], { counters: [] })
    const plan = planned(problem, 100)
    expect(plan.placed).toEqual([{ run: 'one', segment: 's0', person: 'ben', start: 0, end: 6 }])
    expect(planViolations(problem, plan)).toEqual([])
    const { last } = boundOf(problem)
    expect(last).toBe(6)
    const pinned = { ...problem, pins: [{ run: 'one', person: 'ana', start: null }] }
    expect(planned(pinned, 100).placed[0]?.end).toBe(12)
    const wrong = plan.placed.map((p) => ({ ...p, end: 10 }))
    expect(planViolations(problem, { ...plan, placed: wrong })).toContainEqual({
      constraint: 'duration',
      run: 'one',
      segment: 's0',
      is: 10,
      limit: 6,
    })
  })
  it('stay for the counter while it needs them, and take their break', () => {
    const base = little()
    const people = base.people.map((p) => ({
      ...p,
      breaks: [{ id: 'rest', minutes: 15, earliest: 0, latest: 30 }],
    }))
    const problem = { ...base, people }
    const plan = planned(problem, 200)
    expect(planViolations(problem, plan)).toEqual([])
    expect(plan.breaks).toHaveLength(2)
    expect(Math.max(...Object.values(plan.leaves))).toBeGreaterThanOrEqual(30)
  })
})

describe('a shared place', () => {
  const soaked = ['one', 'two'].map((id) => run(id, 'h5@sink w10@sink h5'))
  it('is held by what soaks in it until it is taken up', () => {
    // Ana leaves off at 15: what Ben soaks must be taken up by himself.
    const problem = shift(soaked, { counters: [], places: { sink: 1 } })
    const plan = planned(problem, 400)
    expect(planViolations(problem, plan)).toEqual([])
    // One soaks from 5 to 15; the other comes to the sink when it has been taken up.
    expect(plan.objective.last).toBe(35)
    const late = plan.placed.map((p) =>
      p.run === 'one' && p.segment === 's2' ? { ...p, start: p.start + 3, end: p.end + 3 } : p,
    )
    expect(planViolations(problem, { ...plan, placed: late })).toContainEqual(
      expect.objectContaining({ constraint: 'place', place: 'sink', is: 2, limit: 1 }),
    )
  })
  it('is held by what soaks in it already, whoever else would have it', () => {
    const [first, second] = soaked
    if (!first || !second) throw new Error('two runs')
    const begun = {
      ...first,
      earliest: 0,
      segments: first.segments
        .slice(1)
        .map((s, i) => (i === 0 ? { ...s, fixed: { person: null, start: 0 } } : s)),
      links: first.links.slice(1),
    }
    const problem = shift([second, begun], {
      counters: [],
      places: { sink: 1 },
      people: shift([]).people.map((p) => (p.id === 'ana' ? { ...p, from: 20 } : p)),
      runs: [
        { ...second, signedOff: ['ben'] },
        { ...begun, signedOff: ['ana'] },
      ],
    })
    for (const iterations of [0, 400]) {
      const plan = planned(problem, iterations)
      expect(planViolations(problem, plan)).toEqual([])
      expect(plan.unplaced).toEqual([])
      // Nobody takes it up before Ana comes.
      expect(plan.placed.find((p) => p.run === 'two')?.start).toBeGreaterThanOrEqual(20)
    }
  })
})

describe('replanning', () => {
  const before = planned(little(), 300)
  it('tells the plan before in later minutes, and holds what is about to begin', () => {
    const later = shiftedPlan({ plan: before, start: 0 }, 10 * 60_000)
    expect(later.placed[0]?.start).toBe((before.placed[0]?.start ?? 0) - 10)
    const held = heldNear(little(), before)
    const soon = before.placed.filter((p) => p.start <= 5 && p.person !== null)
    for (const p of soon)
      expect(runOf(held, p.run).segments[0]?.fixed).toEqual({ person: p.person, start: p.start })
  })
  it('does not hold what needs two: who helps is not known before it is planned', () => {
    const two = withRun(little(), 'one', {
      segments: runOf(little(), 'one').segments.map((s, i) => (i === 0 ? { ...s, hands: 2 as const } : s)),
    })
    const plan = planned(two, 300)
    const soon = plan.placed.map((p) =>
      p.run === 'one' && p.segment === 's0' ? { ...p, start: 2, end: 12 } : p,
    )
    expect(runOf(heldNear(two, { ...plan, placed: soon }), 'one').segments[0]?.fixed).toBeUndefined()
  })
  it('keeps the plan where nothing changed, and tells what moved where somebody falls sick', () => {
    const same = planSearch(little(), 1, before)
    expect(same.kept()?.placed).toEqual(before.placed)
    expect(changesBetween(before, same.kept() as Plan)).toEqual([])
    const sick = planSearch(little({ people: little().people.filter((p) => p.id === 'ana') }), 1, before)
    sick.improve(200)
    const changes = changesBetween(before, sick.plan())
    expect(changes.length).toBeGreaterThan(0)
    expect(changes.every((c) => c.to === null || c.to.people.join() === 'ana')).toBe(true)
  })
  it('changes only for three minutes of the price, or to mend something', () => {
    const of = (late: number, price: number): Plan => ({
      ...before,
      objective: { ...before.objective, late, price },
    })
    expect(worthChanging(of(0, 60), of(0, 58))).toBe(false)
    expect(worthChanging(of(0, 60), of(0, 57))).toBe(true)
    expect(worthChanging(of(4, 60), of(0, 70))).toBe(true)
    expect(worthChanging(of(0, 60), of(1, 40))).toBe(false)
  })
})

describe('a shift that cannot be in time', () => {
  const tight = { ...little(), runs: little().runs.map((r) => ({ ...r, latest: 60 })) }
  const problem: PlanProblem = {
    ...tight,
    counters: [{ id: 'bar', name: 'Bar', need: [{ from: 0, to: 60, people: 2 }] }],
  }
  it('says what stands in the way, the smallest set of it', () => {
    expect(atOnce(reasonsFor(problem, planned(problem, 200)))).toEqual(['counters'])
    expect(atOnce(reasonsFor(little(), planned(little(), 200)))).toEqual([])
  })
  it('offers ways out that help, the best first', () => {
    const plan = planned(problem, 200)
    const ways = atOnce(waysOut(problem, plan))
    expect(ways.map((w) => w.way.kind)).toContain('person')
    for (const w of ways) expect(w.objective.late).toBeLessThan(plan.objective.late)
    const [first] = ways
    if (first)
      expect(planned(relieved(problem, first.way), 200).objective.late).toBeLessThanOrEqual(
        first.objective.late,
      )
  })
})

describe('the shift otherwise', () => {
  it('without somebody, with one more, or closed sooner', () => {
    const problem = little()
    expect(otherwise(problem, { kind: 'without', person: 'ana' }).people.map((p) => p.id)).toEqual(['ben'])
    const begun = withRun(problem, 'one', {
      segments: runOf(problem, 'one').segments.map((s, i) =>
        i === 0 ? { ...s, fixed: { person: 'ana', start: 0 } } : s,
      ),
    })
    const taken = otherwise(begun, { kind: 'without', person: 'ana' })
    expect(runOf(taken, 'one').segments[0]?.fixed).toBeUndefined()
    const sooner = otherwise(problem, { kind: 'close-sooner', minutes: 30 })
    expect(sooner.counters[0]?.need).toEqual([])
    const last = (p: PlanProblem) => planned(p, 200).objective.last
    expect(last(otherwise(problem, { kind: 'another' }))).toBeLessThanOrEqual(last(problem))
    expect(last(otherwise(problem, { kind: 'without', person: 'ana' }))).toBeGreaterThanOrEqual(last(problem))
    expect(last(sooner)).toBeLessThanOrEqual(last(problem))
  })
})
