import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { flowNetwork } from '../../plan/flow.ts'
import { gapsBetween } from '../../plan/make-network.ts'
import { boundOf, isProved, planViolations, planSearch, type PlanProblem } from '../../plan/index.ts'
import { chain, person, run, shift } from './little.ts'

const none: PlanProblem['counters'] = []

describe('the proved bound', () => {
  // Each worked out by hand.
  it.each<[string, PlanProblem, number, string]>([
    ['nothing to do: the bar’s last need', shift([]), 30, 'there'],
    ['one run: its longest way', shift([run('a', 'h10 w20 h5')], { counters: none }), 35, 'hands'],
    ['a wait at the end keeps nobody', shift([run('a', 'h10 w40')], { counters: none }), 10, 'hands'],
    [
      'two runs on one machine',
      shift([run('a', 'h10 w5 h5'), run('b', 'h15', { station: 'a' })], { counters: none }),
      35,
      'one-at-a-time',
    ],
    [
      'one sink for both',
      shift([run('a', 'h20@sink'), run('b', 'h25@sink')], { counters: none, places: { sink: 1 } }),
      // The sink's turn is not told: two people, each with a run.
      25,
      'hands',
    ],
    [
      'two ice machines that may not both be down',
      shift([run('a', 'h10 w20 h5'), run('b', 'h10 w20 h5')], {
        counters: none,
        keepUp: [{ stations: ['a', 'b'], mostDown: 1 }],
      }),
      70,
      'one-at-a-time',
    ],
    [
      'all hands: 90 minutes of work for two',
      shift([run('a', 'h30'), run('b', 'h30'), run('c', 'h30')], { counters: none }),
      45,
      'hands',
    ],
    [
      'the bar takes one of the two until 30',
      shift([run('a', 'h30'), run('b', 'h30'), run('c', 'h30')]),
      60,
      'hands',
    ],
    [
      'only one is signed off',
      shift([run('a', 'h20', { signedOff: ['ana'] }), run('b', 'h20', { signedOff: ['ana'] })], {
        counters: none,
      }),
      40,
      'hands',
    ],
    [
      'one comes at 50',
      shift([run('a', 'h20', { signedOff: ['ben'] })], {
        counters: none,
        people: [person('ana'), person('ben', { from: 50 })],
      }),
      70,
      'hands',
    ],
    [
      'a machine that must be up until 40',
      shift([run('a', 'h20')], {
        counters: none,
        stations: [{ id: 'a', name: 'a', place: '', up: [{ from: 0, to: 40 }] }],
      }),
      60,
      'hands',
    ],
    [
      'closed down last',
      shift([run('a', 'h30'), run('b', 'h10')], { counters: none, orders: [{ before: 'a', after: 'b' }] }),
      40,
      'hands',
    ],
  ])('%s', (_, problem, last, by) => {
    const bound = boundOf(problem)
    expect(bound).toMatchObject({ last, proofs: { last: { kind: by } } })
    for (const proof of Object.values(bound.proofs)) expect(isProved(problem, proof)).toBe(true)
    const search = planSearch(problem)
    search.improve(200)
    expect(planViolations(problem, search.plan())).toEqual([])
    expect(search.plan().objective.last).toBeGreaterThanOrEqual(last)
  })
  it('of lateness: what is late even by itself', () => {
    expect(boundOf(shift([run('a', 'h10 w20 h5', { latest: 30, weight: 2 })], { counters: none })).late).toBe(
      10,
    )
  })
  it('of lateness: the work past everybody’s hours', () => {
    const people = [person('ana', { to: 60, most: 120 })]
    const late = shift([run('a', 'h15 h15 h15 h15 h15', { signedOff: ['ana'] })], { people, counters: none })
    expect(boundOf(late).late).toBe(15 * 2)
  })
  it('of plans that are no later than asked: work past one person’s hours goes to another', () => {
    // Ana's hours end at 60. Together the two could end 90 minutes of work by 45 if hours did not count, and Ben came at 40.
    const people = [person('ana', { to: 60, most: 200 }), person('ben', { from: 40 })]
    const both = { signedOff: ['ana', 'ben'] }
    const runs = ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h'].map((id) => run(id, 'h15', both))
    const problem = shift(runs, { people, counters: none })
    expect(boundOf(problem).last).toBe(80)
    expect(boundOf(problem, null, 10).last).toBe(95)
    expect(boundOf(problem, null, 0).last).toBe(100)
    const search = planSearch(problem)
    search.improve(300)
    expect(search.plan().objective).toMatchObject({ late: 0, last: 100 })
  })
  it('leaves out what has no place', () => {
    const problem = shift([run('a', 'h10'), run('b', 'h60')], { counters: none })
    expect(boundOf(problem, { unplaced: [{ run: 'b', why: 'no-room' }], breaks: [] }).last).toBe(10)
  })
})

describe('the flow', () => {
  it('is the least cut, as brute force finds it', () => {
    const arcs = fc.array(
      fc.tuple(
        fc.integer({ min: 0, max: 5 }),
        fc.integer({ min: 0, max: 5 }),
        fc.integer({ min: 0, max: 9 }),
      ),
      { maxLength: 14 },
    )
    fc.assert(
      fc.property(arcs, (all) => {
        const flow = flowNetwork(6)
        for (const [a, b, capacity] of all) if (a !== b) flow.arc(a, b, capacity)
        let least = Number.POSITIVE_INFINITY
        // Every set that holds the source, 0, and not the sink, 5.
        for (let set = 0; set < 16; set++) {
          const inside = (n: number) => n === 0 || (n !== 5 && ((set >> (n - 1)) & 1) === 1)
          least = Math.min(
            least,
            all.reduce((sum, [a, b, c]) => sum + (a !== b && inside(a) && !inside(b) ? c : 0), 0),
          )
        }
        expect(flow.most(0, 5)).toBe(least)
      }),
    )
  })
})

describe('the gaps between a machine’s needs', () => {
  it.each([
    [[], 0, 100, [[0, 100]]],
    [[[0, 40]], 0, 100, [[40, 100]]],
    [
      [
        [20, 30],
        [60, 70],
      ],
      0,
      100,
      [
        [0, 20],
        [30, 60],
        [70, 100],
      ],
    ],
    [
      [
        [60, 70],
        [20, 65],
      ],
      10,
      100,
      [
        [10, 20],
        [70, 100],
      ],
    ],
    [[[0, 200]], 0, 100, []],
  ] as [number[][], number, number, number[][]][])('%j from %i to %i', (up, from, to, gaps) => {
    const spans = up.map(([a = 0, b = 0]) => ({ from: a, to: b }))
    expect(gapsBetween(spans, from, to).map((g) => [g.from, g.to])).toEqual(gaps)
  })
})

describe('waits', () => {
  const planned = (problem: PlanProblem) => {
    const search = planSearch(problem)
    search.improve(150)
    expect(planViolations(problem, search.plan())).toEqual([])
    return search.plan()
  }
  it('a longest wait ties what is before it: it comes later where the hands after it would', () => {
    // Ana alone: the long work of `b` would make the end of `a` wait past its 6 minutes.
    const people = [person('ana', { serves: [] })]
    const runs = [run('a', 'h5 w5<6 h5', { signedOff: ['ana'] }), run('b', 'h15 h15', { signedOff: ['ana'] })]
    const plan = planned(shift(runs, { people, counters: none }))
    const [pour, , drain] = plan.placed.filter((p) => p.run === 'a')
    expect((drain?.start ?? 0) - (pour?.end ?? 0)).toBeLessThanOrEqual(6)
    expect(plan.objective.last).toBeLessThanOrEqual(46)
  })
  it('one that holds a place begins when its hands end, and waits for the place with them', () => {
    const runs = [run('a', 'h5 w30@pot h5'), run('b', 'h5 w30@pot h5')]
    const plan = planned(shift(runs, { counters: none, places: { pot: 1 } }))
    const soaks = plan.placed.filter((p) => p.person === null).toSorted((x, y) => x.start - y.start)
    expect(soaks[1]?.start).toBeGreaterThanOrEqual(soaks[0]?.end ?? 0)
  })
  it('are filled with other work', () => {
    const people = [person('ana', { serves: [] })]
    const runs = [run('a', 'h5 w30 h5', { signedOff: ['ana'] }), run('b', 'h15 h15', { signedOff: ['ana'] })]
    expect(planned(shift(runs, { people, counters: none })).objective.last).toBe(40)
  })
  it('a chain is told as it is written', () => {
    expect(chain('h10 w5<8 h4@sink').segments.map((s) => [s.kind, s.minutes, s.most, s.places])).toEqual([
      ['hands-on', 10, null, []],
      ['wait', 5, 8, []],
      ['hands-on', 4, null, ['sink']],
    ])
  })
})
