import { describe, expect, it } from 'vitest'
import { dueAhead, dueList, type Prediction } from '../duty/index.ts'
import { stationFold, type StationState } from '../procedure/index.ts'
import { instant } from '../quantity/index.ts'
import type { SiteSet, StationDuty, Trigger } from '../house/index.ts'

const site: SiteSet = {
  name: 's',
  timeZone: 'Europe/Dublin',
  hours: Object.fromEntries(
    ['1', '2', '3', '4', '5', '6', '7'].map((d) => [d, { open: '06:00', close: '23:30' }]),
  ),
  closedDays: ['2026-12-25'],
  sailings: [],
  units: 'metric',
  freshHours: 4,
  emergencyNumber: '',
}
const at = (text: string) => instant(Date.parse(text))
const hour = 3_600_000
const duty = (trigger: Trigger, procedure = 'job'): StationDuty => ({ procedure, trigger, rule: 'r' })
const station = (duties: StationDuty[], change: Partial<StationState> = {}): StationState => ({
  ...stationFold.initial('st'),
  plate: { name: 's', tag: '', place: '', family: 'f', model: '', parameters: {}, duties },
  ...change,
})
const done = (text: string, counts = {}) => ({
  lastRuns: { job: { run: 'r', finishedAt: at(text), by: 'b', counts } },
})
const due = (
  trigger: Trigger,
  now: string,
  change: Partial<StationState> = {},
  predictions: Prediction[] = [],
) => dueList(site, [station([duty(trigger)], change)], at(now), predictions)[0] ?? null

// FDA Food Code 2022, 4-602.11(C): every four hours through the day; 4-501.14: at least every 24 hours.
describe('every so many hours', () => {
  const four = { kind: 'hours', hours: 4, counts: 'in-use' } as const
  it('in use, counts from when it was last done', () => {
    expect(due(four, '2026-11-26T10:00:00Z', done('2026-11-26T09:00:00Z'))).toMatchObject({
      latest: at('2026-11-26T13:00:00Z'),
      risk: 'ahead',
    })
    expect(due(four, '2026-11-26T13:10:00Z', done('2026-11-26T09:00:00Z'))?.risk).toBe('late')
  })
  it('in use, counts from opening where it was done before, or never', () => {
    expect(due(four, '2026-11-26T08:00:00Z', done('2026-11-25T23:00:00Z'))?.latest).toBe(
      at('2026-11-26T10:00:00Z'),
    )
    expect(due(four, '2026-11-26T08:00:00Z')?.latest).toBe(at('2026-11-26T10:00:00Z'))
  })
  it('by the clock, what falls due while nobody trades is due before opening', () => {
    const day = { kind: 'hours', hours: 24, counts: 'clock' } as const
    expect(due(day, '2026-11-26T12:00:00Z', done('2026-11-26T03:00:00Z'))?.latest).toBe(
      at('2026-11-27T06:00:00Z'),
    )
    expect(due(day, '2026-11-26T12:00:00Z', done('2026-11-26T11:00:00Z'))?.latest).toBe(
      at('2026-11-27T11:00:00Z'),
    )
  })
  // 4-602.11(D)(2): the refrigerated room's temperature makes the interval; not known, the shortest.
  it.each([
    [4, 24],
    [6, 20],
    [9, 16],
    [12, 10],
    [14, 4],
    [null, 4],
  ])('by the room, at %s °C every %d h', (temperature, hours) => {
    const room = { kind: 'hours', hours: 'room', counts: 'clock' } as const
    const facets = { ...stationFold.initial('st').facets, temperature }
    const item = due(room, '2026-11-26T08:10:00Z', { ...done('2026-11-26T08:00:00Z'), facets })
    const reaches = at('2026-11-26T08:00:00Z') + hours * hour
    const closed = reaches > at('2026-11-26T23:30:00Z') && reaches < at('2026-11-27T06:00:00Z')
    expect(item?.latest).toBe(closed ? at('2026-11-27T06:00:00Z') : reaches)
  })
})

describe('on a weekday', () => {
  // 2026-11-26 is a Thursday; 2026-12-25, a Friday, is closed.
  const friday = { kind: 'weekly', day: 5 } as const
  it('falls at that close, may be done three days early, and then moves to the next week', () => {
    expect(due(friday, '2026-11-23T12:00:00Z')).toMatchObject({ day: '2026-11-27', risk: 'ahead' })
    expect(due(friday, '2026-11-25T12:00:00Z', done('2026-11-20T23:40:00Z'))).toMatchObject({
      day: '2026-11-27',
      risk: 'now',
    })
    expect(due(friday, '2026-11-25T13:00:00Z', done('2026-11-25T12:30:00Z'))?.day).toBe('2026-12-04')
  })
  it('on a closed day, falls on the next trading day', () => {
    expect(due(friday, '2026-12-23T12:00:00Z', done('2026-12-18T23:40:00Z'))?.day).toBe('2026-12-26')
  })
  it('missed, stays late until the next one may be done', () => {
    const last = done('2026-11-20T23:40:00Z')
    expect(due(friday, '2026-11-28T12:00:00Z', last)).toMatchObject({ day: '2026-11-27', risk: 'late' })
    expect(due(friday, '2026-12-02T12:00:00Z', last)?.day).toBe('2026-12-04')
  })
})

describe('months from when it was last done', () => {
  const half = { kind: 'months', months: 6 } as const
  it('by the calendar, aimed at a fortnight before, clock changes or not', () => {
    const item = due(half, '2026-09-20T12:00:00Z', done('2026-04-10T10:00:00Z'))
    expect(item?.latest).toBe(at('2026-10-10T23:00:00Z'))
    expect(item).toMatchObject({ risk: 'now', target: at('2026-10-10T23:00:00Z') - 14 * 24 * hour })
  })
  it('from the end of a long month, ends in the short one', () => {
    expect(
      due({ kind: 'months', months: 1 }, '2027-02-10T12:00:00Z', done('2027-01-31T10:00:00Z'))?.latest,
    ).toBe(at('2027-03-01T00:00:00Z'))
  })
  it('never done as far as anyone knows: due now', () => {
    expect(due(half, '2026-11-26T12:00:00Z')).toMatchObject({
      risk: 'now',
      latest: at('2026-11-26T23:30:00Z'),
    })
  })
})

describe('by count', () => {
  const racks = { kind: 'count', of: 'racks', every: 600 } as const
  const counts = (total: number, text: string) => ({ counts: { racks: { total, at: at(text) } } })
  it('is due by the close once the count is full', () => {
    const full = { ...done('2026-11-20T10:00:00Z', { racks: 1000 }), ...counts(1600, '2026-11-26T15:00:00Z') }
    expect(due(racks, '2026-11-26T16:00:00Z', full)).toMatchObject({
      risk: 'now',
      target: at('2026-11-26T23:30:00Z'),
    })
  })
  it('before that, is forecast from the rate since it was last done', () => {
    const half = { ...done('2026-11-20T00:00:00Z', { racks: 1000 }), ...counts(1300, '2026-11-26T00:00:00Z') }
    expect(due(racks, '2026-11-26T01:00:00Z', half)?.latest).toBe(at('2026-12-02T00:00:00Z'))
  })
  it('nobody having read it, says nothing', () => expect(due(racks, '2026-11-26T16:00:00Z')).toBeNull())
})

describe('by what was seen, expected, or done beside it', () => {
  it('a sign falls due that close, and is gone once the work that answers it is done', () => {
    const seen = { signs: [{ sign: 'scale', at: at('2026-11-26T15:00:00Z'), by: 'bao' }] }
    const scale = { kind: 'sign', sign: 'scale' } as const
    expect(due(scale, '2026-11-26T16:00:00Z', seen)).toMatchObject({
      risk: 'now',
      target: at('2026-11-26T23:30:00Z'),
      latest: at('2026-11-27T23:30:00Z'),
    })
    expect(due(scale, '2026-11-26T16:00:00Z')).toBeNull()
    const record = (type: string, payload: object) =>
      ({ type, payload, by: 'b', observedAt: 1, clockOffset: 0 }) as never
    let state = stationFold.apply(
      station([duty(scale)]),
      record('sign.seen@1', { station: 'st', sign: 'scale', note: '' }),
    )
    expect(state.signs).toHaveLength(1)
    state = stationFold.apply(
      state,
      record('run.started@1', {
        run: 'r',
        station: 'st',
        procedure: { id: 'job', version: 1 },
        parameters: {},
      }),
    )
    expect(stationFold.apply(state, record('run.finished@1', { run: 'r', station: 'st' })).signs).toEqual([])
  })
  it('a prediction, between its first likely moment and its expected one', () => {
    const bath = { kind: 'predicted', what: 'bath' } as const
    const at_ = {
      station: 'st',
      what: 'bath',
      from: at('2026-11-26T13:50:00Z'),
      at: at('2026-11-26T15:05:00Z'),
    }
    expect(due(bath, '2026-11-26T14:20:00Z', {}, [at_])).toMatchObject({
      risk: 'past-target',
      latest: at_.at,
    })
    expect(due(bath, '2026-11-26T14:20:00Z', {}, [{ ...at_, station: 'other' }])).toBeNull()
  })
  it('twice for one procedure is told once, the more urgent; the close is still to do after the last of the hours', () => {
    const both = station(
      [duty({ kind: 'each-close' }), duty({ kind: 'hours', hours: 4, counts: 'in-use' })],
      { lastRuns: { job: { run: 'r', finishedAt: at('2026-11-26T20:35:00Z'), by: 'b' } } },
    )
    const told = (now: string) => dueList(site, [both], at(now)).map((d) => [d.trigger, d.risk])
    expect(told('2026-11-26T21:00:00Z')).toHaveLength(1)
    const closes = dueList(site, [station([duty({ kind: 'each-close' })])], at('2026-11-26T21:00:00Z'))[0]
    const closing = new Date((closes?.target ?? 0) - 45 * 60_000 - 30 * 60_000).toISOString()
    expect(told(closing)).toEqual([['each-close', 'now']])
  })
  it('a bath that would grow old while nobody trades is not changed: it is thrown out at the close', () => {
    const at_ = (time: string) => ({ station: 'st', what: 'bath', from: at(time), at: at(time) })
    const bath = { kind: 'predicted', what: 'bath' } as const
    expect(due(bath, '2026-11-26T20:00:00Z', {}, [at_('2026-11-25T15:00:00Z')])).toBeNull()
    expect(due(bath, '2026-11-26T20:00:00Z', {}, [at_('2026-11-26T15:00:00Z')])?.risk).toBe('late')
    expect(due(bath, '2026-11-26T20:00:00Z', {}, [at_('2026-11-27T02:30:00Z')])).toBeNull()
  })
  it('a linked one, once the other was done after it', () => {
    const filter = { kind: 'linked', to: 'clean' } as const
    const cleaned = { clean: { run: 'r', finishedAt: at('2026-11-26T10:00:00Z'), by: 'b' } }
    expect(due(filter, '2026-11-26T11:00:00Z', { lastRuns: cleaned })?.risk).toBe('now')
    expect(due(filter, '2026-11-26T11:00:00Z')).toBeNull()
    expect(
      due(filter, '2026-11-26T12:00:00Z', {
        lastRuns: { ...cleaned, ...done('2026-11-26T11:00:00Z').lastRuns },
      }),
    ).toBeNull()
  })
})

describe('a station laid up', () => {
  const record = (type: string, payload: object) =>
    ({ type, payload, by: 'b', observedAt: 1, clockOffset: 0 }) as never
  it('has nothing due, and back in service is not sanitized any more', () => {
    const up = station([duty({ kind: 'each-close' })], {
      facets: { ...stationFold.initial('st').facets, hygiene: 'sanitized' },
    })
    const laid = stationFold.apply(up, record('station.laid-up@1', { station: 'st', reason: 'winter' }))
    expect(dueList(site, [laid], at('2026-11-26T22:00:00Z'))).toEqual([])
    const back = stationFold.apply(laid, record('station.back@1', { station: 'st' }))
    expect(dueList(site, [back], at('2026-11-26T22:00:00Z'))).toHaveLength(1)
    expect(back.facets.hygiene).toBe('unknown')
  })
})

describe('what lies ahead', () => {
  const from = at('2026-11-26T12:00:00Z')
  const days = (n: number) => instant(from + n * 24 * hour)
  it('holds each close of the coming weeks, the closed day left out', () => {
    const items = dueAhead(site, [station([duty({ kind: 'each-close' })])], from, days(35))
    expect(items.map((i) => i.day)).not.toContain('2026-12-25')
    expect(items).toHaveLength(34)
    expect(new Set(items.map((i) => i.day)).size).toBe(34)
  })
  it('holds every fourth hour of a day in use', () => {
    const items = dueAhead(
      site,
      [station([duty({ kind: 'hours', hours: 4, counts: 'in-use' })])],
      at('2026-11-26T06:00:00Z'),
      at('2026-11-26T23:30:00Z'),
    )
    expect(items.length).toBeGreaterThanOrEqual(4)
  })
  it('ends, whatever the triggers are', () => {
    const all: Trigger[] = [
      { kind: 'weekly', day: 1 },
      { kind: 'months', months: 1 },
      { kind: 'count', of: 'shots', every: 10 },
      { kind: 'sign', sign: 'scale' },
      { kind: 'linked', to: 'job-0' },
    ]
    const s = station(
      all.map((t, i) => duty(t, `job-${i}`)),
      {
        signs: [{ sign: 'scale', at: from, by: 'b' }],
        counts: { shots: { total: 30, at: from } },
      },
    )
    const items = dueAhead(site, [s], from, days(60))
    expect(items.filter((i) => i.trigger === 'weekly')).toHaveLength(8)
    expect(items.filter((i) => i.trigger === 'sign')).toHaveLength(1)
  })
})
