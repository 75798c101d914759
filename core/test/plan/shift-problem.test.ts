import { describe, expect, it } from 'vitest'
import { tradingDay } from '../../calendar/index.ts'
import { dueList } from '../../duty/index.ts'
import {
  planViolations,
  followUpKey,
  planKey,
  planSearch,
  shiftProblem,
  type ShiftInput,
} from '../../plan/index.ts'
import {
  latestProcedure,
  ownCopy,
  runFold,
  stationFold,
  stepsOf,
  type FollowUp,
  type RunState,
  type StationState,
} from '../../procedure/index.ts'
import { instant } from '../../quantity/index.ts'
import { folds } from '../../record/index.ts'
import { type AnyRecord } from '../../stream/index.ts'
import { type SiteSet } from '../../house/index.ts'

const everyDay = ['1', '2', '3', '4', '5', '6', '7']
const site: SiteSet = {
  name: 'S',
  timeZone: 'Europe/Dublin',
  hours: Object.fromEntries(everyDay.map((d) => [d, { open: '05:30', close: '23:30' }])),
  closedDays: [],
  sailings: [{ departs: '21:10', days: [1, 2, 3, 4, 5, 6, 7], load: 1.2 }],
  units: 'metric',
  freshHours: 4,
  emergencyNumber: '112',
  counters: [{ id: 'bar', name: 'Bar', quiet: 1, rush: 2 }],
  lastOfAll: ['last'],
}
const bucket = (id: string, more: Partial<NonNullable<StationState['plate']>> = {}): StationState => ({
  ...stationFold.initial(id),
  plate: {
    name: id,
    tag: '1',
    place: 'Bar',
    family: 'urn',
    model: 'M',
    parameters: {},
    duties: [{ procedure: 'house.floors', trigger: { kind: 'each-close' }, rule: 'r' }],
    ...more,
  },
})
const stations = [bucket('first', { up: 'rush' }), bucket('second', { up: 'trading' }), bucket('last')]
const at = (iso: string) => instant(Date.parse(iso))
const input = (now: number, more: Partial<ShiftInput> = {}): ShiftInput => ({
  site,
  stations,
  due: dueList(site, stations, instant(now)),
  runs: [],
  roster: {
    day: new Date(now).toISOString().slice(0, 10),
    shifts: ['ana', 'ben', 'cyn'].map((person) => ({ person, from: '15:00', to: '24:30', breaks: [] })),
  },
  crew: Object.fromEntries(
    ['ana', 'ben', 'cyn'].map((p) => [p, { signedOff: ['urn'], learning: [], serves: ['bar'], home: null }]),
  ),
  names: {},
  procedure: latestProcedure,
  learned: {},
  pins: [],
  putIn: [],
  putOff: [],
  now: instant(now),
  ...more,
})
const none = { signedOff: [], learning: [], serves: [], home: null }
const evening = at('2026-11-26T20:00:00Z')

describe('the problem of a shift', () => {
  it('has tonight’s duties, the stations’ and counters’ needs, and what is closed down last', () => {
    const problem = shiftProblem(input(evening))
    expect(problem.runs.map((r) => r.station)).toEqual(['first', 'last', 'second'])
    expect(problem.orders).toHaveLength(2)
    const up = (id: string) => problem.stations.find((s) => s.id === id)?.up ?? []
    // The rush is before the 21:10 sails; trading ends at 23:30.
    expect(up('first')).toHaveLength(1)
    expect(up('first')[0]?.to).toBeLessThan(80)
    expect(up('second')).toEqual([{ from: 0, to: 210 }])
    expect(problem.counters[0]?.need.map((n) => n.people)).toEqual([1, 2, 1])
    expect(problem.counters[0]?.need.at(-1)?.to).toBe(210)
    const plan = planSearch(problem)
    plan.improve(100)
    expect(planViolations(problem, plan.plan())).toEqual([])
    expect(plan.plan().unplaced).toEqual([])
  })
  it('has what the site asks of its plans: keys, who may be alone, breaks by the rule, where sinks stand, what counts most', () => {
    const given = input(evening)
    const problem = shiftProblem({
      ...given,
      site: {
        ...site,
        planning: {
          wish: 'even',
          neverAlone: true,
          keys: true,
          closedBy: '24:15',
          breaks: { hours: 6, minutes: 15 },
          placeAreas: { sink: 'Galley' },
        },
      },
      crew: { ...given.crew, ana: { ...(given.crew['ana'] ?? none), keys: true } },
      worked: { ana: 300 },
    })
    expect(problem).toMatchObject({
      neverAlone: true,
      keys: ['ana'],
      // 24:15 is four hours and a quarter from 20:00.
      closedBy: 255,
      placeAreas: { sink: 'Galley' },
      walkElse: 1,
      washing: 1,
      handing: 2,
      weights: { unfair: 3 },
    })
    // 15:00 to 24:30: the break of the first window is over by now, the second is still to come.
    expect(problem.people[0]).toMatchObject({ earlier: 300, breaks: [{ minutes: 15 }] })
    expect(problem.people[1]?.earlier).toBe(0)
    // A site that says nothing is asked for nothing.
    const silent = shiftProblem(given)
    expect([silent.neverAlone, silent.keys, silent.closedBy]).toEqual([undefined, undefined, undefined])
    expect(silent.people[0]?.breaks).toEqual([])
  })
  it('tells what a segment asks: its task, who may go on after it, what it touches', () => {
    const problem = shiftProblem(input(evening))
    const segments = problem.runs.flatMap((r) => r.segments)
    expect(segments.filter((s) => s.kind === 'hands-on').every((s) => s.task !== undefined)).toBe(true)
    expect(segments.some((s) => s.first === 'dirty')).toBe(true)
  })
  it('before the day opens is its opening by itself: nobody is kept at a counter, no machine is up, no break asked', () => {
    const dawn = at('2026-11-26T04:00:00Z')
    const opening = shiftProblem({
      ...input(dawn),
      roster: {
        day: '2026-11-26',
        shifts: [
          {
            person: 'ana',
            from: '04:45',
            to: '13:00',
            breaks: [{ minutes: 20, earliest: '08:30', latest: '10:30' }],
          },
          { person: 'ben', from: '15:00', to: '24:00', breaks: [] },
        ],
      },
    })
    const opens = (tradingDay(site, '2026-11-26')?.opens ?? 0) - dawn
    expect(opening.people).toMatchObject([{ id: 'ana', from: 45, breaks: [] }])
    expect(opening.horizon).toBe(opens / 60_000 + 60)
    expect(opening.counters[0]?.need[0]?.from).toBe(opens / 60_000)
    expect(opening.stations.find((s) => s.id === 'second')?.up[0]?.from).toBe(opens / 60_000)
    expect(opening.runs.every((r) => r.target <= opening.horizon)).toBe(true)
  })
  it('reckons a site’s own procedure by what it takes, and until it was worked by what the one takes that it stands in for', () => {
    const plain = input(evening)
    const [item] = plain.due
    const known = item && latestProcedure(item.procedure)
    const first = known && stepsOf(known.nodes)[0]
    if (!item || !known || !first) throw new Error('nothing due')
    const own = ownCopy(known, [])
    const minutes = (learned: ShiftInput['learned']) =>
      shiftProblem({
        ...plain,
        procedure: (id) => (id === item.procedure ? own : latestProcedure(id)),
        learned,
      })
        .runs.find((r) => r.id === planKey(item))
        ?.segments.reduce((n, s) => n + s.minutes, 0) ?? 0
    const took = (n: number) => ({ site: { [first.id]: n }, people: {} })
    const usual = minutes({})
    const asTheLibrary = minutes({ [known.id]: took(50) })
    expect(asTheLibrary).toBeGreaterThan(usual)
    expect(minutes({ [known.id]: took(50), [own.id]: took(90) }) - asTheLibrary).toBe(40)
  })
  it('leaves out who is away and what was put off, and takes in what was put in', () => {
    const sick = input(evening)
    const roster = {
      ...sick.roster,
      shifts: sick.roster.shifts.map((s, i) => (i === 0 ? { ...s, away: true } : s)),
    }
    expect(shiftProblem({ ...sick, roster }).people.map((p) => p.id)).toEqual(['ben', 'cyn'])
    const [item] = sick.due
    if (!item) throw new Error('nothing due')
    expect(shiftProblem({ ...sick, putOff: [planKey(item)] }).runs).toHaveLength(2)
  })
  it('of a run under way has only what is left, with who is at it', () => {
    const run: RunState = {
      ...runFold.initial('r'),
      status: 'running',
      station: 'first',
      procedure: { id: 'house.floors', version: 1 },
      startedAt: evening,
      startedBy: 'ben',
      lastBy: 'ben',
    }
    const current = stations.map((s) =>
      s.id === 'first'
        ? { ...s, currentRun: { run: 'r', procedure: 'house.floors', startedAt: evening } }
        : s,
    )
    const of = (r: RunState) =>
      shiftProblem(
        input(evening, { stations: current, due: dueList(site, current, evening), runs: [r] }),
      ).runs.find((x) => x.station === 'first')
    expect(of(run)?.segments[0]?.fixed).toEqual({ person: 'ben', start: 0 })
    expect(of({ ...run, status: 'parked' })?.segments[0]?.fixed).toBeUndefined()
    const steps = latestProcedure('house.floors')?.nodes ?? []
    const firstDone = { [steps[0]?.id ?? '']: { at: evening, by: 'ben', facts: {}, before: {} } }
    const minutes = (r?: { segments: readonly { minutes: number }[] }) =>
      r?.segments.reduce((a, s) => a + s.minutes, 0) ?? 0
    expect(minutes(of({ ...run, done: firstDone }))).toBeLessThan(minutes(of(run)))
  })
})

describe('a close past midnight', () => {
  it.each([
    // The clocks go back at 02:00 on 25 October 2026 and forward at 01:00 on 29 March 2026 in Dublin.
    ['an ordinary night', '2026-11-26T20:00:00Z', 210],
    ['the night before the clocks go back', '2026-10-24T19:00:00Z', 210],
    ['the night before they go forward', '2026-03-28T20:00:00Z', 210],
  ])('on %s trades and works to the same minutes', (_, iso, closes) => {
    const problem = shiftProblem(input(at(iso)))
    expect(problem.stations.find((s) => s.id === 'second')?.up).toEqual([{ from: 0, to: closes }])
    expect(problem.people.map((p) => p.to)).toEqual([270, 270, 270])
  })
  it('reaches the hours of a shift across the change itself', () => {
    const long = (iso: string) => {
      const base = input(at(iso))
      const roster = { ...base.roster, shifts: base.roster.shifts.map((s) => ({ ...s, to: '27:00' })) }
      return shiftProblem({ ...base, roster }).people[0]?.to
    }
    // From 20:00 to 03:00 by the clock: seven hours, eight where one is lived twice, six where one is left out.
    expect(long('2026-11-26T20:00:00Z')).toBe(420)
    expect(long('2026-10-24T19:00:00Z')).toBe(480)
    expect(long('2026-03-28T20:00:00Z')).toBe(360)
  })
})

describe('what inspections asked for', () => {
  const found = (outcome: FollowUp['outcome'], step = 'seals'): FollowUp => ({
    run: 'r1',
    step,
    choice: 'worn',
    outcome,
    at: evening,
    by: 'ana',
  })
  const asked = stations.map((s) =>
    s.id === 'second' ? { ...s, followUps: [found('replace'), found('technician', 'belt')] } : s,
  )
  it('is planned with the rest, outside the hours in which its machine must be up; a technician’s work is not', () => {
    const problem = shiftProblem(input(evening, { stations: asked }))
    const id = followUpKey('second', found('replace'))
    expect(problem.runs.filter((r) => r.procedure === 'follow-up').map((r) => r.id)).toEqual([id])
    const search = planSearch(problem)
    search.improve(100)
    const plan = search.plan()
    expect(planViolations(problem, plan)).toEqual([])
    const [placed] = plan.placed.filter((p) => p.run === id)
    // Trading ends at minute 210.
    expect(placed?.start).toBeGreaterThanOrEqual(210)
    expect(shiftProblem(input(evening, { stations: asked, putOff: [id] })).runs).toHaveLength(3)
  })
  it('is nobody’s where nobody is signed off on such a machine: told, not lost', () => {
    const crew = { ana: { signedOff: ['slush.weekly'], learning: [], serves: ['bar'], home: null } }
    const problem = shiftProblem(input(evening, { stations: asked, crew }))
    const search = planSearch(problem)
    expect(search.plan().unplaced).toContainEqual({
      run: followUpKey('second', found('replace')),
      why: 'no-person',
    })
  })
  it('of a machine that is laid up waits with it', () => {
    const laidUp = asked.map((s) => ({ ...s, laidUp: { since: evening, reason: 'winter' } }))
    expect(shiftProblem(input(evening, { stations: laidUp, due: [] })).runs).toEqual([])
  })
})

describe('the plan in force', () => {
  const put = (at: number, start: number, by: string) =>
    ({
      id: `plan-${at}`,
      type: 'plan.set@1',
      observedAt: at,
      clockOffset: 0,
      by,
      payload: { day: '2026-11-26', start, pins: [], putIn: [], putOff: [] },
    }) as unknown as AnyRecord
  it('keeps the one that it took the place of, as that was recorded: put back, it is in force again', () => {
    const first = folds.plan.apply(folds.plan.initial('2026-11-26'), put(1, 100, 'ines'))
    expect(first.before).toBeNull()
    const second = folds.plan.apply(first, put(2, 200, 'oriel'))
    expect(second).toMatchObject({ inForce: { start: 200, by: 'oriel' }, before: { start: 100 } })
    expect(second.before).not.toHaveProperty('by')
    const back = folds.plan.apply(second, { ...put(3, 100, 'ines'), payload: second.before } as AnyRecord)
    expect(back).toMatchObject({ inForce: { start: 100, at: 3 }, before: { start: 200 } })
  })
})
