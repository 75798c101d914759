import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { boundsOfDay, dayOf } from '../../calendar/index.ts'
import { dayLeft, dueList, type DayLeft } from '../../duty/index.ts'
import { closedKey, runFold, stationFold, type RunState, type StationState } from '../../procedure/index.ts'
import { instant } from '../../quantity/index.ts'
import { amendFault } from '../../record/index.ts'
import { type AnyRecord } from '../../stream/index.ts'
import { type SiteSet } from '../../house/index.ts'
import { plate, recordOf } from '../records.ts'

const hours = { open: '05:30', close: '23:30' }
const site: SiteSet = {
  name: 's',
  timeZone: 'Europe/Dublin',
  hours: Object.fromEntries(['1', '2', '3', '4', '5', '6'].map((d) => [d, hours])),
  closedDays: [],
  sailings: [],
  units: 'metric',
  freshHours: 4,
  emergencyNumber: '112',
}
const at = (iso: string) => instant(Date.parse(iso))

describe('the day that what happened belongs to', () => {
  it.each([
    ['in the evening', '2026-11-26T22:40:00Z', '2026-11-26'],
    ['past midnight: still the evening’s', '2026-11-27T01:10:00Z', '2026-11-26'],
    ['four hours after the close: the new day', '2026-11-27T03:31:00Z', '2026-11-27'],
    ['on a day on which nobody trades: its own', '2026-11-29T12:00:00Z', '2026-11-29'],
    ['after the close of the day before that', '2026-11-29T02:00:00Z', '2026-11-28'],
    ['at opening', '2026-11-27T05:30:00Z', '2026-11-27'],
  ])('%s', (_, iso, day) => expect(dayOf(site, at(iso))).toBe(day))
  it('each instant lies within the bounds of its day, and of no other', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 400 * 24 * 60 }), (minute) => {
        const when = instant(Date.parse('2026-01-01T00:00:00Z') + minute * 60_000)
        const { from, to } = boundsOfDay(site, dayOf(site, when))
        return from <= when && when < to
      }),
    )
  })
})

const station = (more: Partial<StationState> = {}): StationState => ({
  ...stationFold.initial('st'),
  plate,
  ...more,
})
const finished = (procedure: string, iso: string, more: Partial<RunState> = {}): RunState => ({
  ...runFold.initial('r'),
  status: 'finished',
  station: 'st',
  procedure: { id: procedure, version: 2 },
  startedAt: at(iso) - 1_800_000,
  endedAt: at(iso),
  ...more,
})
const left = (
  known: { stations?: StationState[]; runs?: RunState[]; cases?: { id: string; station: string | null }[] },
  now = '2026-11-27T10:00:00Z',
) => dayLeft({ site, stations: [station()], runs: [], cases: [], ...known }, '2026-11-26', at(now))
const whats = (list: DayLeft[]) => list.map((l) => l.what)
const opened = finished('soft-serve-gravity.open', '2026-11-26T05:00:00Z')
const closed = finished('soft-serve-gravity.close', '2026-11-26T23:59:00Z')

describe('what of a day is left, before it is signed', () => {
  it('nothing, where all was done in time', () => expect(left({ runs: [opened, closed] })).toEqual([]))
  it('what nobody did, by name', () => {
    expect(left({ runs: [opened] })).toEqual([
      { what: 'not-done', station: 'st', procedure: 'soft-serve-gravity.close' },
    ])
  })
  it('the close of what is done every few hours: neither the evening’s last round nor the next morning’s first was it', () => {
    const rounds: StationState = station({
      plate: {
        ...plate,
        duties: [
          { procedure: 'surface.in-place', trigger: { kind: 'each-close' }, rule: 'code' },
          {
            procedure: 'surface.in-place',
            trigger: { kind: 'hours', hours: 4, counts: 'in-use' },
            rule: 'code',
          },
        ],
      },
    })
    const round = (iso: string) => finished('surface.in-place', iso)
    const of = (...runs: RunState[]) => left({ stations: [rounds], runs })
    const notDone = [{ what: 'not-done', station: 'st', procedure: 'surface.in-place' }]
    expect(of(round('2026-11-26T21:05:00Z'), round('2026-11-27T09:10:00Z'))).toEqual(notDone)
    expect(of(round('2026-11-26T23:40:00Z'))).toEqual([])
  })
  it('not yet, while its time is still to come', () => {
    expect(left({ runs: [opened] }, '2026-11-26T22:00:00Z')).toEqual([])
  })
  it('what was done late', () => {
    expect(
      whats(left({ runs: [opened, finished('soft-serve-gravity.close', '2026-11-27T03:00:00Z')] })),
    ).toEqual(['late'])
  })
  it('a contact time that was let go on: it is not done, and says so', () => {
    const overridden = {
      at: 1,
      by: 'ines',
      facts: {},
      short: { ms: 12_000, leastMs: 60_000 },
      overridden: { by: 'ines', reason: 'late' },
    }
    const cut = { ...opened, startedAt: at('2026-11-26T04:30:00Z'), done: { x: overridden } }
    expect(left({ runs: [cut, closed] })).toMatchObject([
      { what: 'not-done', procedure: 'soft-serve-gravity.open' },
      { what: 'not-sanitized', ms: 12_000, leastMs: 60_000, by: 'ines' },
    ])
  })
  it('what was begun and not finished, stopped, out of service, or open', () => {
    const out = {
      since: at('2026-11-26T12:00:00Z'),
      by: 'b',
      why: 'reported' as const,
      run: null,
      step: null,
      what: 'x',
    }
    const running = { ...closed, status: 'running' as const, endedAt: null }
    const found = left({
      stations: [station({ outOfService: out })],
      runs: [opened, running],
      cases: [{ id: 'c', station: 'st' }],
    })
    expect(whats(found)).toEqual(['not-done', 'unfinished', 'out-of-service', 'case'])
  })
  it('what a lead closed with a reason stays not done, told with the reason', () => {
    const reason = {
      [closedKey('soft-serve-gravity.close', '2026-11-26')]: { reason: 'not opened', by: 'ines', at: 1 },
    }
    expect(left({ stations: [station({ closed: reason })], runs: [opened] })).toMatchObject([
      { what: 'closed', reason: 'not opened' },
    ])
  })
})

describe('openings that went by', () => {
  const now = at('2026-11-26T21:00:00Z')
  const many = Array.from({ length: 10 }, (_, i) => ({
    ...station(),
    id: `st-${i}`,
    lastRuns: { 'soft-serve-gravity.open': { run: 'r', finishedAt: at('2026-11-25T05:00:00Z'), by: 'b' } },
  }))
  it('never stand before tonight’s closes, however many', () => {
    const due = dueList(site, many, now)
    const firstGone = due.findIndex((d) => d.goneBy)
    expect(due.filter((d) => d.goneBy)).toHaveLength(10)
    expect(
      due.slice(0, firstGone).filter((d) => d.trigger === 'each-close' && d.risk === 'now'),
    ).toHaveLength(10)
    expect(due.slice(firstGone).every((d) => d.goneBy)).toBe(true)
  })
  it('closed with a reason are no longer asked for; the next one is due when it was', () => {
    const [one] = many
    if (!one) throw new Error('none')
    const said = {
      [closedKey('soft-serve-gravity.open', '2026-11-26')]: { reason: 'not opened', by: 'ines', at: 1 },
    }
    const opens = dueList(site, [{ ...one, closed: said }], now).filter((d) => d.trigger === 'each-open')
    expect(opens.map((d) => [d.day, d.goneBy])).toEqual([['2026-11-27', false]])
  })
})

describe('an amendment', () => {
  const run = { kind: 'run', id: 'r' } as const
  const product = recordOf(1, 'run.step.done@2', run, {
    run: 'r',
    station: 'st',
    step: 'product',
    facts: { litres: 15, kept: false },
  })
  const instead = (facts: object) => ({ run: 'r', station: 'st', step: 'product', facts })
  const who = (role: 'crew' | 'lead' | 'manager', more: object = {}) => ({
    by: 'bao',
    role,
    at: 60_000,
    signed: false,
    ...more,
  })
  it('of what one typed oneself is right until the day is signed', () => {
    expect(amendFault(product, instead({ litres: 1.5, kept: false }), who('crew'))).toBeNull()
    expect(amendFault(product, instead({ litres: 1.5, kept: false }), who('crew', { by: 'dara' }))).toBe(
      'amend_not_yours',
    )
    expect(amendFault(product, instead({ litres: 1.5, kept: false }), who('lead', { by: 'ines' }))).toBeNull()
    for (const role of ['crew', 'lead'] as const)
      expect(amendFault(product, instead({ litres: 1, kept: false }), who(role, { signed: true }))).toBe(
        'day_is_signed',
      )
    expect(
      amendFault(product, instead({ litres: 1, kept: false }), who('manager', { by: 'oriel', signed: true })),
    ).toBeNull()
  })
  it('changes what was typed, and nothing else of a step', () => {
    expect(amendFault(product, { ...instead({ litres: 1, kept: false }), step: 'rinse' }, who('crew'))).toBe(
      'not_amendable',
    )
    const counted = recordOf(1, 'run.step.done@2', run, {
      run: 'r',
      station: 'st',
      step: 'parts',
      facts: { counted: 18 },
    })
    expect(amendFault(counted, { ...instead({ counted: 17 }), step: 'parts' }, who('manager'))).toBe(
      'not_amendable',
    )
  })
  const plain = { run: 'r', station: 'st' }
  it.each([
    ['a timer’s beginning', recordOf(1, 'run.wait.started@2', run, { ...plain, step: 'x' })],
    [
      'a start',
      recordOf(1, 'run.started@2', run, { ...plain, procedure: { id: 'bucket.fill', version: 2 } }),
    ],
    [
      'a lead’s own PIN',
      recordOf(1, 'run.overridden@1', run, { ...plain, step: 'x', what: 'wait', reason: 'late' }),
    ],
    [
      'a signature',
      recordOf(
        1,
        'shift.signed@1',
        { kind: 'shift', id: '2026-11-26' },
        { day: '2026-11-26', upTo: 1, openCases: [], reason: '' },
      ),
    ],
    ['settings', recordOf(1, 'station.set@1', { kind: 'station', id: 'st' }, plate)],
    [
      'what a device read',
      {
        ...recordOf(
          1,
          'count.read@1',
          { kind: 'station', id: 'st' },
          { station: 'st', of: 'racks', total: 4 },
        ),
        by: 'd',
      } as AnyRecord,
    ],
  ])('of %s is refused to everybody', (_, record) => {
    expect(amendFault(record, record.payload, who('manager', { by: 'oriel' }))).toBe('not_amendable')
    expect(amendFault(record, null, who('manager', { by: 'oriel' }))).toBe('not_amendable')
  })
  it('taking a tap back is right for ten minutes', () => {
    const changed = recordOf(1, 'dish.water-changed@1', { kind: 'dish', id: 'd' }, { station: 'd' })
    expect(amendFault(changed, null, who('crew', { at: 11 * 60_000 }))).toBeNull()
    expect(amendFault(changed, null, who('crew', { at: 12 * 60_000 }))).toBe('too_late_to_take_back')
    expect(amendFault(product, null, who('crew'))).toBe('not_amendable')
  })
})
