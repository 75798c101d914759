import { planSearch, type Plan, type PlanProblem } from '@tadka/core/plan'
import {
  latestProcedure,
  runFold,
  stationFold,
  type RunState,
  type StationState,
} from '@tadka/core/procedure'
import type { RosterSet } from '@tadka/core/house'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readCalendar } from '../src/plan/calendar.ts'
import { hues, snapped } from '../src/plan/hues.ts'
import { lanesOf, type Bar } from '../src/plan/lanes.ts'
import { nextOf } from '../src/plan/next.ts'
import { draftOf, emptyRow, faultIn, rosterFrom, type RosterRow } from '../src/plan/roster-draft.ts'

const minute = 60_000
const start = Date.parse('2026-11-26T20:40:00Z')
const roster: RosterSet = {
  day: '2026-11-26',
  shifts: [
    { person: 'ana', from: '15:00', to: '24:30', breaks: [] },
    { person: 'ben', from: '15:00', to: '24:30', breaks: [], away: true },
  ],
}
const station = (id: string, place: string): StationState => ({
  ...stationFold.initial(id),
  plate: { name: id, tag: '1', place, family: 'house', model: '', parameters: {}, duties: [] },
})
const stations = [station('freezer', 'Kiosk'), station('floor', 'Hall')]
const problem: PlanProblem = {
  format: 'tadka-plan-problem@1',
  start,
  horizon: 200,
  people: [{ id: 'ana', name: 'Ana', from: 0, to: 150, most: 200, serves: [], breaks: [], home: null }],
  counters: [],
  stations: stations.map((s) => ({ id: s.id, name: s.id, place: '', up: [] })),
  keepUp: [],
  places: {},
  runs: [
    {
      id: 'freezer/x/2026-11-26',
      station: 'freezer',
      procedure: 'x',
      title: 'Close',
      earliest: 0,
      target: 60,
      latest: 100,
      weight: 1,
      signedOff: ['ana'],
      learning: [],
      segments: [
        { id: 'pour', title: 'Pour in {rinse}', kind: 'hands-on', minutes: 10, most: null, places: [] },
        { id: 'soak', title: 'Soak', kind: 'wait', minutes: 20, most: null, places: [] },
        { id: 'drain', title: 'Drain', kind: 'hands-on', minutes: 5, most: null, places: [] },
        { id: 'wipe', title: 'Wipe', kind: 'hands-on', minutes: 4, most: null, places: [] },
      ],
      links: [
        { from: 'pour', to: 'soak', least: 0, most: null },
        { from: 'soak', to: 'drain', least: 0, most: null },
        { from: 'drain', to: 'wipe', least: 0, most: null },
      ],
      endsFrom: 0,
    },
  ],
  orders: [],
  pins: [],
}
const plan: Plan = planSearch(problem).plan()
const lanes = (
  runs: RunState[] = [],
  shown: { plan: Plan; problem: PlanProblem } | null = { plan, problem },
) => lanesOf(roster, null, shown, runs, stations, (title) => title.replace('{rinse}', '3.8 L'))

describe('the lanes of the shift', () => {
  it('have work that follows on as one bar, at its time, with its numbers put in', () => {
    const [ana] = lanes()
    expect(ana?.bars.map((b) => [b.title, (b.from - start) / minute, (b.to - start) / minute])).toEqual([
      ['Pour in 3.8 L', 0, 10],
      ['Drain', 30, 39],
    ])
    expect(ana?.bars[0]).toMatchObject({
      station: 'freezer',
      place: 'Kiosk',
      state: 'planned',
      pinned: false,
    })
    expect(ana?.leaves).toBe(start + 39 * minute)
  })
  it('hang a wait between the two bars it lies between', () => {
    const [ana] = lanes()
    expect(ana?.ropes).toEqual([
      {
        key: 'freezer/x/2026-11-26 pour',
        from: start + 10 * minute,
        to: start + 30 * minute,
        title: 'Soak',
        minutes: 20,
      },
    ])
  })
  it('show who is away, and everybody while there is no plan', () => {
    expect(lanes().map((l) => [l.person, l.away])).toEqual([
      ['ana', false],
      ['ben', true],
    ])
    expect(lanes([], null).map((l) => l.bars)).toEqual([[], []])
  })
  it('show what was really done, by whom and when, whatever was planned', () => {
    const floors = latestProcedure('house.floors')
    const [first, second] = floors?.nodes ?? []
    const done = { by: 'ben', facts: {}, before: {} }
    const run: RunState = {
      ...runFold.initial('r'),
      status: 'finished',
      station: 'floor',
      procedure: { id: 'house.floors', version: floors?.version ?? 1 },
      startedAt: start - 30 * minute,
      done: {
        [first?.id ?? '']: { ...done, at: start - 20 * minute },
        [second?.id ?? '']: { ...done, at: start - 12 * minute, by: 'ana' },
      },
    }
    const [ana, ben] = lanes([run])
    expect(ben?.bars).toMatchObject([{ state: 'done', from: start - 30 * minute, to: start - 20 * minute }])
    expect(ana?.bars[0]).toMatchObject({ state: 'done', from: start - 20 * minute, to: start - 12 * minute })
  })
  it('let nobody go who works on past the end of what is planned', () => {
    const people = problem.people.map((p) => ({ ...p, to: 200, most: 200 }))
    expect(lanes()[0]?.leaves).toBe(start + 39 * minute)
    expect(lanes([], { plan, problem: { ...problem, people } })[0]?.leaves).toBeNull()
  })
  it('mark what is pinned', () => {
    const pins = [{ run: 'freezer/x/2026-11-26', person: 'ana', start: null }]
    const inForce = { day: roster.day, start, plan, bound: 0, pins, putIn: [], putOff: [] }
    expect(lanesOf(roster, inForce, { plan, problem }, [], stations)[0]?.bars.every((b) => b.pinned)).toBe(
      true,
    )
  })
})

describe('what somebody does next', () => {
  const [ana] = lanes()
  const next = (after: number) => ana && nextOf(ana, lanes(), start + after * minute)
  it('is the work under way, then what comes, then going home', () => {
    const whole = { from: start, to: start + 39 * minute }
    for (const after of [-5, 5, 15]) expect(next(after)?.now).toMatchObject(whole)
    expect(next(15)?.then).toEqual([])
    expect(next(50)).toMatchObject({ now: null, leaves: start + 39 * minute })
  })
})

describe('somebody who is still learning', () => {
  const placed = plan.placed.map((p) => (p.person === null ? p : { ...p, by: 'cas' }))
  const shifts = [...roster.shifts, { person: 'cas', from: '15:00', to: '24:30', breaks: [] }]
  const [ana, , cas] = lanesOf(
    { ...roster, shifts },
    null,
    { plan: { ...plan, placed, leaves: { ...plan.leaves, cas: 39 } }, problem },
    [],
    stations,
  )
  it('has a name beside the work, and the other is told when to be within call', () => {
    expect(ana?.bars.map((b) => b.by)).toEqual(['cas', 'cas'])
    expect(cas?.calls).toEqual([
      { learner: 'ana', from: start, to: start + 10 * minute },
      { learner: 'ana', from: start + 30 * minute, to: start + 39 * minute },
    ])
    expect(cas && nextOf(cas, [], start + 12 * minute).call?.from).toBe(start + 30 * minute)
    expect(cas && nextOf(cas, [], start + 40 * minute).call).toBeNull()
  })
})

describe('places on the sheet', () => {
  it('have the same ground whoever works there', () => {
    const bar = (place: string): Bar => ({ place }) as Bar
    const of = hues([
      { person: 'a', away: false, leaves: null, bars: [bar('Kiosk'), bar('Galley')], ropes: [], calls: [] },
      { person: 'b', away: false, leaves: null, bars: [bar('Galley'), bar('')], ropes: [], calls: [] },
    ])
    expect(of('Kiosk')).not.toBe(of('Galley'))
    expect(of('Kiosk')).toBe(of('Kiosk'))
  })
  it('take runs on whole five minutes, the nearest', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 4e12 }), (at) => {
        expect(snapped(at) % (5 * minute)).toBe(0)
        expect(Math.abs(snapped(at) - at)).toBeLessThanOrEqual(2.5 * minute)
      }),
    )
  })
})

describe('a roster as it is typed', () => {
  const row = (more: Partial<RosterRow> = {}): RosterRow => ({ ...emptyRow(), person: 'ana', ...more })
  it('comes back as it was', () => {
    const full: RosterSet = {
      day: '2026-11-26',
      shifts: [
        {
          person: 'ana',
          from: '15:00',
          to: '24:30',
          breaks: [{ minutes: 20, earliest: '18:00', latest: '19:00' }],
          away: true,
        },
      ],
    }
    expect(rosterFrom(full.day, draftOf(full))).toEqual(full)
    expect(rosterFrom(roster.day, draftOf(roster))).toEqual(roster)
    expect(draftOf(null)).toEqual([])
  })
  it.each<[string, RosterRow[], string | null]>([
    ['a whole one', [row()], null],
    ['past midnight', [row({ to: '25:15' })], null],
    ['nobody named', [row({ person: null })], 'who'],
    ['a time in words', [row({ from: 'three' })], 'wrong'],
    ['an hour that no day has', [row({ to: '36:00' })], 'wrong'],
    ['an end before its begin', [row({ from: '23:00', to: '15:00' })], 'order'],
    ['a break that ends before it begins', [row({ earliest: '20:00', latest: '18:00' })], 'order'],
    ['no break, whatever its times', [row({ rest: 0, earliest: 'x' })], null],
    ['somebody twice', [row(), row()], 'twice'],
    ['a break of no number, which is not none', [row({ rest: NaN })], 'rest'],
    ['a break of four hours', [row({ rest: 240 })], 'rest'],
  ])('tells the fault of %s', (_, rows, kind) => {
    expect(faultIn(rows)?.kind ?? null).toBe(kind)
  })
})

describe('a calendar brought in', () => {
  const people = [
    { id: 'ana', name: 'Ana' },
    { id: 'ben', name: 'Ben' },
  ]
  const site = { timeZone: 'Europe/Dublin' }
  const event = (...lines: string[]) => [
    'BEGIN:VEVENT',
    'UID:1',
    'DTSTAMP:20261101T000000Z',
    ...lines,
    'END:VEVENT',
  ]
  const calendar = (...events: string[][]) =>
    ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//t//EN', ...events.flat(), 'END:VCALENDAR'].join('\r\n')
  const shift = (summary: string, from: string, to: string) =>
    event(`DTSTART:${from}`, `DTEND:${to}`, `SUMMARY:${summary}`)

  it('gives each event that names a person to their day, by the site’s clock', async () => {
    const text = calendar(
      shift('Ana, kiosk', '20261126T150000Z', '20261127T003000Z'),
      shift('Close: BEN', '20261126T160000Z', '20261126T233000Z'),
      shift('Delivery of bananas', '20261126T100000Z', '20261126T110000Z'),
    )
    expect(await readCalendar(text, people, site)).toEqual([
      {
        day: '2026-11-26',
        shifts: [
          { person: 'ana', from: '15:00', to: '24:30', breaks: [] },
          { person: 'ben', from: '16:00', to: '23:30', breaks: [] },
        ],
      },
    ])
  })
  it('tells out what repeats, in summer time as well', async () => {
    const text = calendar(
      event('DTSTART:20260601T140000Z', 'DTEND:20260601T220000Z', 'RRULE:FREQ=DAILY;COUNT=3', 'SUMMARY:Ana'),
    )
    const rosters = await readCalendar(text, people, site)
    expect(rosters.map((r) => r.day)).toEqual(['2026-06-01', '2026-06-02', '2026-06-03'])
    expect(rosters[0]?.shifts[0]).toMatchObject({ from: '15:00', to: '23:00' })
  })
  it('is refused where it is none', async () => {
    await expect(readCalendar('hello', people, site)).rejects.toThrow()
    expect(await readCalendar(calendar(), people, site)).toEqual([])
  })
})
