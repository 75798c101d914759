import { describe, expect, it } from 'vitest'
import { breaksOf } from '../../plan/breaks.ts'
import { contradictionOf, handoversOf, planSearch, type PlanSet } from '../../plan/index.ts'
import { orderOfWork } from '../../plan/order-of-work.ts'
import { stationFold, type StationState } from '../../procedure/index.ts'
import { person, run, shift } from './little.ts'

describe('the order of work', () => {
  const station = (id: string, family: string, place: string) => ({ id, name: id, place, up: [], family })
  const stations = [
    station('soft', 'soft-serve-gravity', 'Kiosk'),
    station('urn', 'urn', 'Galley'),
    station('dish', 'dish-machine.chemical', 'Galley'),
    station('kiosk-house', 'house', 'Kiosk'),
    station('all-house', 'house', 'Whole site'),
  ]
  const at = (stationId: string, procedure: string) =>
    run(`${stationId}/${procedure}`, 'h10', { station: stationId, procedure })
  const runs = [
    at('soft', 'soft-serve-gravity.close'),
    at('urn', 'urn.daily'),
    at('dish', 'dish-machine.close'),
    at('kiosk-house', 'house.floors'),
    at('kiosk-house', 'house.bins'),
    at('all-house', 'house.floors'),
  ]
  const before = (after: string, begun: readonly string[] = []) =>
    orderOfWork(
      runs.map((r) =>
        begun.includes(r.id)
          ? { ...r, segments: r.segments.map((s) => ({ ...s, fixed: { person: 'ana', start: 0 } })) }
          : r,
      ),
      stations,
      ['dish'],
    )
      .filter((o) => o.after === after)
      .map((o) => o.before)
      .toSorted()
  it('floors come after the machines above them and after the other dirty work there', () => {
    expect(before('kiosk-house/house.floors')).toEqual([
      'kiosk-house/house.bins',
      'soft/soft-serve-gravity.close',
    ])
  })
  it('where an area has no machines it is the whole site; the last of all is waited for by no floor', () => {
    expect(before('all-house/house.floors')).toEqual([
      'kiosk-house/house.bins',
      'soft/soft-serve-gravity.close',
      'urn/urn.daily',
    ])
  })
  it('dirty work comes after the food machines of its area', () => {
    expect(before('kiosk-house/house.bins')).toEqual(['soft/soft-serve-gravity.close'])
  })
  it('what is closed down last comes after all other machines', () => {
    expect(before('dish/dish-machine.close')).toEqual(['soft/soft-serve-gravity.close', 'urn/urn.daily'])
  })
  it('what has begun waits for nothing, and nothing for it', () => {
    expect(before('kiosk-house/house.floors', ['kiosk-house/house.floors'])).toEqual([])
    expect(before('kiosk-house/house.bins', ['soft/soft-serve-gravity.close'])).toEqual([])
  })
})

it('lines are flushed before all else at their station; a sink is flushed and set up before all else, though it is closed down last', () => {
  const stations = [
    { id: 'sink', name: 'sink', place: 'Galley', up: [], family: 'sink' },
    { id: 'urn', name: 'urn', place: 'Galley', up: [], family: 'urn' },
  ]
  const ids = ['urn/urn.daily', 'sink/sink.set-up', 'urn/urn.water-back', 'sink/sink.water-back']
  const runs = ids.map((id) => {
    const [stationId = '', procedure = ''] = id.split('/')
    return run(id, 'h10', { station: stationId, procedure })
  })
  const before = (after: string) =>
    orderOfWork(runs, stations, ['sink'])
      .filter((o) => o.after === after)
      .map((o) => o.before)
      .toSorted()
  expect(before('sink/sink.water-back')).toEqual([])
  expect(before('sink/sink.set-up')).toEqual(['sink/sink.water-back'])
  expect(before('urn/urn.water-back')).toEqual(['sink/sink.set-up', 'sink/sink.water-back'])
  expect(before('urn/urn.daily')).toEqual([
    ...['sink/sink.set-up', 'sink/sink.water-back', 'urn/urn.water-back'],
  ])
})

it('an ice bin is emptied after its makers have made their first ice', () => {
  const station = (id: string, place: string) => ({
    id,
    name: id,
    place,
    up: [],
    family: id.split(' ')[0] ?? '',
  })
  const stations = [
    station('ice-bin', 'Galley'),
    station('ice-cube', 'Galley'),
    station('ice-nugget', 'Kiosk'),
  ]
  const runs = stations.map(({ id }) =>
    run(id, 'h10', { station: id, procedure: id === 'ice-bin' ? 'ice-bin.half-year' : `${id}.water-back` }),
  )
  expect(orderOfWork(runs, stations, [])).toEqual([{ before: 'ice-cube', after: 'ice-bin' }])
})

describe('breaks by the site’s rule', () => {
  const local = (time: string) => Number(time.slice(0, 2)) * 60 + Number(time.slice(3))
  const rule = { hours: 6, minutes: 20 }
  const none = { person: 'ana', from: '00:00', to: '08:00', breaks: [] }
  it.each([5, 6, 7, 8, 10, 12, 14])(
    'nobody works %i h with more than 6 on end, wherever in its window each falls',
    (hours) => {
      const to = hours * 60
      const breaks = breaksOf(none, 0, to, rule, local)
      const worst = (
        at: (b: (typeof breaks)[number]) => number,
        next: (b: (typeof breaks)[number]) => number,
      ) => {
        const ends = breaks.map((b) => at(b))
        const begins = breaks.map((b) => next(b))
        return Math.max(...[...begins, to].map((begin, i) => begin - (i === 0 ? 0 : (ends[i - 1] ?? 0))))
      }
      // The earliest of one and the latest of the next.
      expect(
        worst(
          (b) => b.earliest,
          (b) => b.latest,
        ),
      ).toBeLessThanOrEqual(6 * 60)
      expect(breaks.length > 0).toBe(hours > 6)
    },
  )
  it('what the roster says comes first', () => {
    const own = { ...none, breaks: [{ minutes: 15, earliest: '03:00', latest: '04:00' }] }
    expect(breaksOf(own, 0, 480, rule, local)).toEqual([
      { id: 'break-1', minutes: 15, earliest: 180, latest: 240 },
    ])
    expect(breaksOf(none, 0, 480, undefined, local)).toEqual([])
  })
})

describe('a handover', () => {
  it('is told with what forces it', () => {
    const a = run('a', 'h10 h10', { signedOff: ['ana', 'ben'] })
    const begun = {
      ...a,
      begunBy: 'ana',
      segments: a.segments.map((s, i) => (i === 0 ? { ...s, fixed: { person: 'ana', start: 0 } } : s)),
    }
    const problem = shift([begun], {
      counters: [],
      people: [person('ana', { to: 10, most: 10 }), person('ben')],
    })
    const plan = planSearch(problem).plan()
    expect(handoversOf(problem, plan)).toEqual([
      { run: 'a', at: 10, from: 'ana', to: 'ben', clean: false, cause: 'hours' },
    ])
    const away = { ...problem, runs: [{ ...begun, signedOff: ['ben'] }] }
    expect(handoversOf(away, planSearch(away).plan())).toMatchObject([{ cause: 'sign-off' }])
  })
})

describe('a plan that the site’s records contradict', () => {
  const day = '2026-11-26'
  const start = Date.parse('2026-11-26T20:00:00Z')
  const key = 'soft/soft-serve-gravity.close/2026-11-26'
  const rest = { id: 'break-1', minutes: 15, earliest: 60, latest: 90 }
  const problem = shift([run(key, 'h10 h5', { station: 'soft' })], {
    counters: [],
    people: [person('ana', { breaks: [rest] })],
  })
  const plan = planSearch(problem).plan()
  const set: PlanSet = { day, start, plan, bound: 0, pins: [], putIn: [], putOff: [] }
  const soft: StationState = {
    ...stationFold.initial('soft'),
    plate: {
      name: 'S',
      tag: '1',
      place: 'K',
      family: 'soft-serve-gravity',
      model: '',
      parameters: {},
      duties: [],
    },
  }
  const known = {
    site: { timeZone: 'Europe/Dublin' },
    roster: {
      day,
      shifts: [
        {
          person: 'ana',
          from: '15:00',
          to: '23:00',
          breaks: [{ minutes: 15, earliest: '21:00', latest: '21:30' }],
        },
      ],
    },
    crew: () => ({ signedOff: ['soft-serve-gravity'], learning: [], serves: [], home: null }),
    station: (id: string) => (id === 'soft' ? soft : null),
  }
  it('is none where they do not', () => expect(contradictionOf(set, known)).toBeNull())
  it('is none where lines are flushed by who is signed off on nothing', () => {
    const flush = 'soft/urn.water-back/2026-11-26'
    const placed = plan.placed.map((p) => ({ ...p, run: flush }))
    expect(contradictionOf({ ...set, plan: { ...plan, placed } }, { ...known, crew: () => null })).toBeNull()
  })
  it.each([
    ['nobody on the roster', set, { ...known, roster: null }, 'unknown'],
    ['a machine that is not there', set, { ...known, station: () => null }, 'unknown'],
    ['nobody signed off', set, { ...known, crew: () => null }, 'sign-off'],
    [
      'hours that are over',
      set,
      { ...known, roster: { day, shifts: [{ person: 'ana', from: '10:00', to: '18:00', breaks: [] }] } },
      'hours',
    ],
    [
      'work before somebody comes',
      set,
      { ...known, roster: { day, shifts: [{ person: 'ana', from: '21:00', to: '23:00', breaks: [] }] } },
      'hours',
    ],
    [
      'a break by the site’s rule left out untold',
      { ...set, plan: { ...plan, breaks: [] } },
      {
        ...known,
        site: { ...known.site, planning: { breaks: { hours: 2, minutes: 10 } } },
        roster: { day, shifts: [{ person: 'ana', from: '20:00', to: '23:00', breaks: [] }] },
      },
      'break',
    ],
    [
      'a segment twice',
      { ...set, plan: { ...plan, placed: [...plan.placed, ...plan.placed] } },
      known,
      'placed-once',
    ],
    [
      'two things at once',
      { ...set, plan: { ...plan, breaks: plan.breaks.map((b) => ({ ...b, start: 0 })) } },
      known,
      'one-at-a-time',
    ],
    ['a break left out untold', { ...set, plan: { ...plan, breaks: [] } }, known, 'break'],
    [
      'a last departure that is not so',
      { ...set, plan: { ...plan, objective: { ...plan.objective, last: 1 } } },
      known,
      'objective',
    ],
  ])('by %s', (_, of, by, constraint) => expect(contradictionOf(of, by)).toMatchObject({ constraint }))
})
