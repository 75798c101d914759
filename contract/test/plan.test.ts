import { planSearch, type PlanProblem } from '@tadka/core/plan'
import { describe, expect, it } from 'vitest'
import { plan, planProblem } from '../plan/index.ts'
import { payloadSchemas } from '../record/index.ts'

const problem: PlanProblem = {
  format: 'tadka-plan-problem@1',
  start: 0,
  horizon: 100,
  people: [{ id: 'ana', name: 'Ana', from: 0, to: 90, most: 100, serves: ['bar'], breaks: [], home: null }],
  counters: [{ id: 'bar', name: 'Bar', need: [{ from: 0, to: 10, people: 1 }] }],
  stations: [{ id: 'freezer', name: 'Freezer', place: 'Kiosk', up: [{ from: 0, to: 5 }] }],
  keepUp: [{ stations: ['freezer'], mostDown: 1 }],
  places: { sink: 1 },
  runs: [
    {
      id: 'freezer/close/2026-11-26',
      station: 'freezer',
      procedure: 'close',
      title: 'Close',
      earliest: 0,
      target: 60,
      latest: 80,
      weight: 1,
      signedOff: ['ana'],
      learning: [],
      segments: [
        { id: 'a', title: 'A', kind: 'hands-on', minutes: 10, most: null, places: ['sink'] },
        { id: 'a~1', title: 'B', kind: 'wait', minutes: 4, most: 5, places: [] },
      ],
      links: [{ from: 'a', to: 'a~1', least: 0, most: 0 }],
      endsFrom: 0,
    },
  ],
  orders: [],
  pins: [{ run: 'freezer/close/2026-11-26', person: 'ana', start: null }],
}
const [run] = problem.runs
const with_ = (change: object) => ({ ...problem, ...change })
const withRun = (change: object) => with_({ runs: [{ ...run, ...change }] })

describe('a shift to be planned, as JSON', () => {
  it('is read as it was written, and so is its plan', () => {
    expect(planProblem.parse(JSON.parse(JSON.stringify(problem)))).toEqual(problem)
    const made = planSearch(problem).plan()
    expect(plan.parse(JSON.parse(JSON.stringify(made)))).toEqual(made)
  })
  it('may say who holds keys, what is worth how much, and what a task is', () => {
    const more = {
      ...problem,
      neverAlone: true,
      keys: ['ana'],
      closedBy: 90,
      walkElse: 1,
      placeAreas: { sink: 'Kiosk' },
      runs: [
        {
          ...run,
          begunBy: 'ana',
          segments: run?.segments.map((s) => ({
            ...s,
            task: s.id,
            first: 'dirty',
            last: 'food',
            handover: true,
          })),
        },
      ],
    }
    expect(planProblem.parse(JSON.parse(JSON.stringify(more)))).toEqual(more)
    const made = planSearch(planProblem.parse(more)).plan()
    expect(plan.parse(JSON.parse(JSON.stringify(made)))).toEqual(made)
    expect(made.told).toEqual([{ kind: 'alone', person: 'ana', from: 0, to: made.objective.last }])
  })
  it.each([
    ['another format', with_({ format: 'something@1' }), 'format'],
    ['half a minute', with_({ horizon: 10.5 }), 'horizon'],
    ['a field nobody knows', with_({ colour: 'red' }), ''],
    ['somebody twice', with_({ people: [problem.people[0], problem.people[0]] }), 'people.1.id'],
    ['a run twice', with_({ runs: [run, run] }), 'runs.1.id'],
    ['a station that is not there', with_({ stations: [] }), 'runs.0.station'],
    [
      'a link to nothing',
      withRun({ links: [{ from: 'a', to: 'z', least: 0, most: null }] }),
      'runs.0.links.0.to',
    ],
    [
      'links in a circle',
      withRun({ links: [...(run?.links ?? []), { from: 'a~1', to: 'a', least: 0, most: null }] }),
      'runs.0.links',
    ],
    ['a run without work', withRun({ segments: [], links: [] }), 'runs.0.segments'],
    [
      'work of no known kind',
      withRun({ segments: [{ ...run?.segments[0], kind: 'nap' }] }),
      'runs.0.segments.0.kind',
    ],
    ['a station twice', with_({ stations: [problem.stations[0], problem.stations[0]] }), 'stations.1.id'],
    ['hours that end before they begin', with_({ people: [{ ...problem.people[0], from: 95 }] }), 'people.0'],
    [
      'a most before the end of hours',
      with_({ people: [{ ...problem.people[0], most: 80 }] }),
      'people.0.most',
    ],
    [
      'a machine up until before it is',
      with_({ stations: [{ ...problem.stations[0], up: [{ from: 5, to: 1 }] }] }),
      'stations.0.up.0',
    ],
    [
      'a need that ends before it begins',
      with_({ counters: [{ id: 'bar', name: 'Bar', need: [{ from: 9, to: 1, people: 1 }] }] }),
      'counters.0.need.0',
    ],
    [
      'a break twice',
      with_({
        people: [
          {
            ...problem.people[0],
            breaks: [0, 1].map(() => ({ id: 'rest', minutes: 10, earliest: 0, latest: 50 })),
          },
        ],
      }),
      'people.0.breaks.1.id',
    ],
    [
      'an order of a run that is not there',
      with_({ orders: [{ before: run?.id, after: 'x' }] }),
      'orders.0.after',
    ],
    ['a pin of nobody', with_({ pins: [{ run: run?.id, person: 'zoe', start: null }] }), 'pins.0.person'],
    ['a pin of no run', with_({ pins: [{ run: 'x', person: 'ana', start: null }] }), 'pins.0.run'],
    [
      'a wait that may not last until what follows it',
      withRun({
        segments: [run?.segments[1], run?.segments[0]],
        links: [{ from: 'a~1', to: 'a', least: 3, most: null }],
      }),
      'runs.0.links.0',
    ],
    [
      'a link that may last for less than it must',
      withRun({ links: [{ from: 'a', to: 'a~1', least: 2, most: 1 }] }),
      'runs.0.links.0.most',
    ],
    [
      'hands of three',
      withRun({ segments: [{ ...run?.segments[0], hands: 3 }], links: [] }),
      'runs.0.segments.0.hands',
    ],
    [
      'a need below nobody',
      with_({ counters: [{ id: 'bar', name: 'Bar', need: [{ from: 0, to: 1, people: -1 }] }] }),
      'counters.0.need.0.people',
    ],
  ])('with %s is refused, and says where', (_, bad, path) => {
    const read = planProblem.safeParse(bad)
    expect(read.success).toBe(false)
    expect(read.error?.issues.map((i) => i.path.join('.'))).toContain(path)
  })
})

describe('the records of a shift, as the first release wrote them', () => {
  it.each([
    [
      'roster.set@1',
      {
        day: '2026-11-26',
        shifts: [
          {
            person: 'ana',
            from: '15:00',
            to: '24:30',
            breaks: [{ minutes: 20, earliest: '18:00', latest: '19:00' }],
          },
        ],
      },
    ],
    [
      'roster.set@1',
      { day: '2026-11-26', shifts: [{ person: 'ana', from: '15:00', to: '24:30', breaks: [], away: true }] },
    ],
    [
      'crew.set@1',
      { signedOff: ['slush', 'dish-machine.stationary-dual'], learning: [], serves: ['bar'], home: 'Bar' },
    ],
    [
      'plan.set@1',
      {
        day: '2026-11-26',
        start: 1,
        plan: planSearch(problem).plan(),
        bound: 10,
        pins: problem.pins,
        putIn: [],
        putOff: ['a/b/c'],
      },
    ],
  ] as const)('%s is accepted', (type, payload) => {
    expect(payloadSchemas[type].safeParse(JSON.parse(JSON.stringify(payload))).success).toBe(true)
  })
  it.each([
    ['roster.set@1', { day: 'tomorrow', shifts: [] }],
    [
      'roster.set@1',
      { day: '2026-11-26', shifts: [{ person: 'ana', from: '15:00', to: '36:00', breaks: [] }] },
    ],
    ['crew.set@1', { signedOff: ['Slush machines!'], learning: [], serves: [], home: null }],
    ['plan.set@1', { day: '2026-11-26', start: 1, plan: {}, bound: 1, pins: [], putIn: [], putOff: [] }],
  ] as const)('%s is refused where it is wrong', (type, payload) => {
    expect(payloadSchemas[type].safeParse(payload).success).toBe(false)
  })
})
