import { describe, expect, it } from 'vitest'
import {
  planSearch,
  planViolations,
  priceOf,
  weightsFor,
  type Plan,
  type PlanProblem,
  type PriceTerms,
} from '../../plan/index.ts'
import { person, run, shift } from './little.ts'

const free: Partial<PlanProblem> = { counters: [] }
/** The plan that the search comes to; each of these has one that is plainly best. */
function planOf(problem: PlanProblem, before: Plan | null = null): Plan {
  const search = planSearch(problem, 1, before)
  search.improve(300)
  expect(planViolations(problem, search.plan())).toEqual([])
  return search.plan()
}
const terms = (problem: PlanProblem): PriceTerms => planOf(problem).objective.terms
const alone = (more: Partial<PlanProblem> = {}): Partial<PlanProblem> => ({
  ...free,
  people: [person('ana')],
  ...more,
})
const at = (place: string, ...runs: string[]) => runs.map((id) => ({ id, name: id, place, up: [] }))

describe('each term of the price, worked by hand', () => {
  it('paid: from start to departure of each; last: the last of them', () => {
    // Ben comes at 20 and alone may do b; Ana goes home at 10.
    const problem = shift(
      [run('a', 'h10', { signedOff: ['ana'] }), run('b', 'h15', { signedOff: ['ben'] })],
      {
        ...free,
        people: [person('ana'), person('ben', { from: 20 })],
      },
    )
    expect(terms(problem)).toMatchObject({ paid: 10 + 15, last: 35 })
  })
  it('wish: past the aim of each run', () => {
    expect(
      terms(shift([run('a', 'h30', { target: 20 }), run('b', 'h10', { target: 35 })], alone())).wish,
    ).toBe(
      // One after the other: a till 30 or 40, b till 40 or 10. Best is b first: a ends at 40.
      Math.min(10 + 5, 20 + 0),
    )
  })
  it('handovers: none at a clean point, one anywhere else, and the minutes they take', () => {
    const hands = [person('ana', { to: 10, most: 10 }), person('ben')]
    const two = (clean: boolean) => {
      const a = run('a', 'h10 h10')
      const segments = a.segments.map((s, i) => (i === 0 && clean ? { ...s, handover: true } : s))
      return shift([{ ...a, segments, signedOff: ['ana', 'ben'] }], {
        ...free,
        people: [hands[0] ?? person('ana'), { ...person('ben'), from: 10 }],
        handing: 2,
        pins: [],
        // Begun by Ana, who goes at 10.
      })
    }
    const begun = (problem: PlanProblem): PlanProblem => ({
      ...problem,
      runs: problem.runs.map((r) => ({
        ...r,
        begunBy: 'ana',
        segments: r.segments.map((s, i) => (i === 0 ? { ...s, fixed: { person: 'ana', start: 0 } } : s)),
      })),
    })
    const rough = planOf(begun(two(false)))
    expect(rough.objective.terms.handovers).toBe(1)
    expect(rough.placed.at(-1)).toMatchObject({ person: 'ben', start: 10, end: 22 })
    const clean = planOf(begun(two(true)))
    expect(clean.objective.terms.handovers).toBe(0)
    expect(clean.placed.at(-1)).toMatchObject({ person: 'ben', start: 10, end: 22 })
  })
  it('walks and areas: a walk to the sink within one’s own run costs its minutes and is no change', () => {
    const stations = [...at('kiosk', 'a'), ...at('lounge', 'b')]
    const apart = shift([run('a', 'h10'), run('b', 'h10')], alone({ stations, walkElse: 3 }))
    expect(terms(apart)).toMatchObject({ walks: 3, areas: 1, paid: 23 })
    const sink = shift(
      [run('a', 'h10 h5@sink h10')],
      alone({ stations: at('kiosk', 'a'), places: { sink: 1 }, placeAreas: { sink: 'galley' }, walkElse: 2 }),
    )
    expect(terms(sink)).toMatchObject({ walks: 4, areas: 0, paid: 29 })
  })
  it('washing hands after dirty work before what must stay clean is worked time', () => {
    const a = run('a', 'h10 h10')
    const touched = (first: 'dirty' | 'food') =>
      shift(
        [
          {
            ...a,
            segments: a.segments.map((s, i) => (i === 0 ? { ...s, last: 'dirty' } : { ...s, first })),
          },
        ],
        alone({ washing: 1 }),
      )
    expect(terms(touched('food')).paid).toBe(21)
    expect(terms(touched('dirty')).paid).toBe(20)
  })
  it('short: a stay of under five minutes away from where one is', () => {
    const stations = [...at('kiosk', 'a', 'c'), ...at('lounge', 'b')]
    const orders = [
      { before: 'a', after: 'b' },
      { before: 'b', after: 'c' },
    ]
    const problem = (minutes: number) =>
      shift([run('a', 'h10'), run('b', `h${minutes}`), run('c', 'h10')], alone({ stations, orders }))
    expect(terms(problem(4))).toMatchObject({ short: 1, areas: 2 })
    expect(terms(problem(5))).toMatchObject({ short: 0, areas: 2 })
  })
  it('gaps: nothing of a run runs; a wait counts its least length', () => {
    // Ana is on her break when the wait of 5 is over: the machine stands for 10 more minutes.
    const rest = { id: 'rest', minutes: 15, earliest: 10, latest: 10 }
    const problem = shift([run('a', 'h10 w5 h10')], { ...free, people: [person('ana', { breaks: [rest] })] })
    const made = planOf(problem)
    expect(made.objective.terms.gaps).toBe(10)
    expect(made.placed.at(-1)?.end).toBe(35)
  })
  it('unfair: half of what people work past and below their share', () => {
    // Both are free as long and may do both: 20 minutes are 10 each. One run in one pair of hands: 20 and 0.
    const one = shift([run('a', 'h10 h10')], free)
    expect(terms(one).unfair).toBe(10)
    const two = shift([run('a', 'h10'), run('b', 'h10')], free)
    expect(terms(two).unfair).toBe(0)
    // Ben worked 140 minutes more in seven days: a seventh of what he is over the mean is made up for tonight.
    const week = {
      ...two,
      people: [person('ana', { earlier: 0 }), person('ben', { earlier: 140 })],
      weights: weightsFor('even'),
    }
    const plan = planOf(week)
    expect(plan.placed.every((p) => p.person === 'ana')).toBe(true)
    expect(plan.objective.terms.unfair).toBe(0)
  })
  it('changes: other hands, another neighbour, or more than ten minutes', () => {
    const problem = shift([run('a', 'h10'), run('b', 'h10')], alone())
    const before = planOf(problem)
    expect(planOf(problem, before).objective.terms.changes).toBe(0)
    const moved = (by: number): Plan => ({
      ...before,
      placed: before.placed.map((p) => ({ ...p, start: p.start + by, end: p.end + by })),
    })
    expect(planOf(problem, moved(10)).objective.terms.changes).toBe(0)
    // Eleven minutes sooner would be two changes: it is begun ten sooner, and one later than it could be.
    const near = planOf(problem, moved(11))
    expect(near.objective.terms.changes).toBe(0)
    expect(near.placed[0]?.start).toBe(1)
    expect(planOf(problem, moved(40)).objective.terms.changes).toBe(2)
  })
  it('is the sum of the terms by their weights', () => {
    const problem = { ...shift([run('a', 'h10'), run('b', 'h10')], alone()), weights: weightsFor('even') }
    const { price, terms: of } = planOf(problem).objective
    expect(price).toBe(priceOf(of, weightsFor('even')))
    // 20 minutes paid, the last at 20, one change of area; her share is all of it.
    expect(price).toBe(20 + 20 + 6)
  })
})

describe('who stays to the end', () => {
  const both = shift([run('a', 'h10', { signedOff: ['ana'] }), run('b', 'h40', { signedOff: ['ben'] })], free)
  it('two, where nobody may be alone; who cannot stay is told', () => {
    expect(planOf({ ...both, neverAlone: true })).toMatchObject({ leaves: { ana: 40, ben: 40 }, told: [] })
    const early = { ...both, neverAlone: true, people: [person('ana', { to: 15, most: 15 }), person('ben')] }
    const plan = planOf(early)
    expect(plan.told).toEqual([{ kind: 'alone', person: 'ben', from: 10, to: 40 }])
    expect(plan.objective.late).toBe(30 * 2)
  })
  it('somebody with keys', () => {
    expect(planOf({ ...both, keys: ['ana'] })).toMatchObject({ leaves: { ana: 40, ben: 40 }, told: [] })
    expect(planOf({ ...both, keys: ['ben'] })).toMatchObject({ leaves: { ana: 10, ben: 40 }, told: [] })
    expect(planOf({ ...both, keys: [] }).told).toEqual([{ kind: 'no-keys', from: 0, to: 40 }])
  })
})

describe('work for two', () => {
  it('has a helper, who need not be signed off, and both are free for it', () => {
    const a = run('a', 'h10', { signedOff: ['ana'] })
    const problem = shift(
      [
        { ...a, segments: a.segments.map((s) => ({ ...s, hands: 2 as const })) },
        run('b', 'h20', { signedOff: ['ben'] }),
      ],
      free,
    )
    const plan = planOf(problem)
    expect(plan.placed.find((p) => p.run === 'a')).toMatchObject({ person: 'ana', helper: 'ben' })
    const without = plan.placed.map(({ helper: _h, ...p }) => p)
    expect(planViolations(problem, { ...plan, placed: without }).map((v) => v.constraint)).toContain('helper')
  })
})
