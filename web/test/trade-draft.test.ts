import { tradingDay } from '@tadka/core/calendar'
import { canonicalText } from '@tadka/core/stream'
import { type SiteSet, slugOf, type StationDuty } from '@tadka/core/house'
import { describe, expect, it } from 'vitest'
import { payloadSchemas } from '@tadka/contract/record'
import { dutiesFrom, dutyFault, emptyDuty, rowsOf, triggerOf } from '../src/house/duty-draft.ts'
import { draftOfTrade, siteFrom, tradeFault, type TradeDraft } from '../src/house/trade-draft.ts'

const everyDay = [1, 2, 3, 4, 5, 6, 7]
const site: SiteSet = {
  name: 'Pier',
  timeZone: 'Europe/Dublin',
  hours: Object.fromEntries(everyDay.map((d) => [String(d), { open: '05:30', close: '23:30' }])),
  closedDays: [],
  sailings: [
    { departs: '06:45', days: everyDay, load: 0.8 },
    { departs: '21:10', days: [5, 6], load: 1.25 },
  ],
  units: 'metric',
  freshHours: 4,
  emergencyNumber: '112',
  schools: { hot: 'surface' },
  counters: [
    { id: 'espresso', name: 'Espresso bar', quiet: 1, rush: 1 },
    { id: 'kiosk', name: 'Kiosk', quiet: 1, rush: 1 },
    { id: 'galley', name: 'Galley and lounge', quiet: 1, rush: 2 },
  ],
  shared: { sink: 2, table: 2, pail: 4, pot: 2 },
  keepUp: [
    { stations: ['kiosk-nugget', 'galley-ice'], mostDown: 1 },
    { stations: ['one', 'two', 'three'], mostDown: 2 },
  ],
  lastOfAll: ['dish'],
  rushes: [{ from: '11:30', to: '13:30', days: everyDay, load: 1 }],
  walks: [{ between: ['Galley', 'Deck'], minutes: 4 }],
}

const typed = (change: (d: TradeDraft) => void): TradeDraft => {
  const draft = draftOfTrade(site)
  change(draft)
  return draft
}

describe('the site’s day as it is typed', () => {
  it('comes back as it was', () => {
    expect(siteFrom(draftOfTrade(site), site)).toEqual(site)
    expect(tradeFault(draftOfTrade(site))).toBeNull()
  })
  it('is the same when it comes back from the log, whose fields stand in another order', () => {
    const stored = JSON.parse(canonicalText(site)) as SiteSet
    expect(JSON.stringify(draftOfTrade(stored))).toBe(JSON.stringify(draftOfTrade(site)))
  })
  it('a weekday without hours is closed, and a close after midnight is the same trading day’s', () => {
    const draft = typed((d) => {
      d.week[0] = { open: '', close: '' }
      d.week[1] = { open: '06:00', close: '24:30' }
    })
    expect(tradeFault(draft)).toBeNull()
    const made = siteFrom(draft, site)
    expect(tradingDay(made, '2026-11-23')).toBeNull()
    const tuesday = tradingDay(made, '2026-11-24')
    expect(new Date(tuesday?.closes ?? 0).toISOString()).toBe('2026-11-25T00:30:00.000Z')
  })
  it('keeps the ids of counters, gives new ones their own, and the record takes all of it', () => {
    const draft = typed((d) => {
      d.counters.push({ id: '', name: 'Galley', quiet: 0, rush: 1 })
      d.sailings.push({ departs: '04:00', days: [7, 1], load: 1 })
      d.shared.pot = null
      d.closedDays = ['2026-12-26', '2026-12-25', '2026-12-25']
    })
    const made = siteFrom(draft, site)
    expect(made.counters?.map((c) => c.id)).toEqual(['espresso', 'kiosk', 'galley', 'galley-2'])
    expect(made.sailings[0]).toEqual({ departs: '04:00', days: [1, 7], load: 1 })
    expect(made.shared).toEqual({ sink: 2, table: 2, pail: 4 })
    expect(made.closedDays).toEqual(['2026-12-25', '2026-12-26'])
    expect(payloadSchemas['site.set@1'].parse(made)).toEqual(made)
  })
  it.each<[string, (d: TradeDraft) => void, string, number]>([
    ['half a day', (d) => (d.week[2] = { open: '05:30', close: '' }), 'hours', 2],
    ['a time that is none', (d) => (d.week[0] = { open: '25:00', close: '26:00' }), 'hours', 0],
    ['closing first', (d) => (d.week[3] = { open: '12:00', close: '11:00' }), 'order', 3],
    ['no day at all', (d) => d.week.forEach((w) => Object.assign(w, { open: '', close: '' })), 'never', 0],
    ['a date that is none', (d) => d.closedDays.push('25 December'), 'date', 0],
    ['a sailing without time', (d) => (d.sailings[1] = { departs: '', days: [1], load: 1 }), 'departs', 1],
    ['a sailing on no day', (d) => (d.sailings[0] = { departs: '06:00', days: [], load: 1 }), 'days', 0],
    [
      'a sailing without load',
      (d) => (d.sailings[0] = { departs: '06:00', days: [1], load: null }),
      'load',
      0,
    ],
    [
      'a counter without name',
      (d) => d.counters.push({ id: '', name: ' ', quiet: 1, rush: 1 }),
      'counter',
      3,
    ],
    [
      'two of a name',
      (d) => d.counters.push({ id: '', name: 'Espresso bar', quiet: 1, rush: 1 }),
      'counter',
      3,
    ],
    ['fewer in a rush', (d) => Object.assign(d.counters[0] ?? {}, { quiet: 2, rush: 1 }), 'rush', 0],
    ['a rush that ends first', (d) => Object.assign(d.rushes[0] ?? {}, { to: '11:00' }), 'rushHours', 0],
    ['a rush on no day', (d) => Object.assign(d.rushes[0] ?? {}, { days: [] }), 'days', 0],
    ['a walk to where one is', (d) => d.walks.push({ between: ['Deck', 'Deck'], minutes: 2 }), 'walk', 1],
    ['a walk of no minutes', (d) => d.walks.push({ between: ['Deck', 'Bar'], minutes: null }), 'walk', 1],
    ['a walk told twice', (d) => d.walks.push({ between: ['Deck', 'Galley'], minutes: 2 }), 'walkTwice', 1],
    ['a walk of no number', (d) => d.walks.push({ between: ['Deck', 'Bar'], minutes: NaN }), 'walk', 1],
    ['a rush of no number', (d) => Object.assign(d.sailings[0] ?? {}, { load: NaN }), 'load', 0],
    ['half a person', (d) => Object.assign(d.counters[0] ?? {}, { rush: 1.5 }), 'rush', 0],
    ['no number of sinks, which is not plenty', (d) => (d.shared.sink = NaN), 'shared', 0],
    ['a group of no number', (d) => d.keepUp.push({ stations: ['galley-ice'], mostDown: NaN }), 'group', 2],
    ['a group of one', (d) => d.keepUp.push({ stations: ['galley-ice'], mostDown: 1 }), 'group', 2],
  ])('%s is told', (_, change, kind, at) => expect(tradeFault(typed(change))).toEqual({ kind, at }))
})

describe('duties as they are typed', () => {
  const triggers: StationDuty['trigger'][] = [
    { kind: 'each-close' },
    { kind: 'each-open' },
    { kind: 'hours', hours: 4, counts: 'in-use' },
    { kind: 'hours', hours: 'room', counts: 'clock' },
    { kind: 'weekly', day: 4 },
    { kind: 'months', months: 6 },
    { kind: 'count', of: 'racks', every: 400 },
    { kind: 'sign', sign: 'scale' },
    { kind: 'linked', to: 'other' },
    { kind: 'predicted', what: 'bath' },
  ]
  it.each(triggers)('$kind comes back as it was', (trigger) => {
    const duties = [{ procedure: 'p', trigger, rule: 'the manual' }]
    expect(dutiesFrom(rowsOf(duties))).toEqual(duties)
    expect(dutyFault(rowsOf(duties))).toBeNull()
  })
  it('all of them together are taken by the record', () => {
    const duties = triggers.map((trigger) => ({ procedure: 'p.close', trigger, rule: 'the manual' }))
    const plate = { name: 'Dish', tag: '1', place: 'Galley', family: 'dish-machine', model: 'Tern' }
    const set = { ...plate, parameters: {}, duties: dutiesFrom(rowsOf(duties)) }
    expect(payloadSchemas['station.set@1'].parse(set)).toEqual({ ...set, duties })
  })
  const row = { ...emptyDuty(), procedure: 'p', rule: 'the manual' }
  it.each([
    ['without procedure', [{ ...row, procedure: null }], 'procedure', 0],
    ['hours of nothing', [{ ...row, kind: 'hours' as const }], 'trigger', 0],
    ['half months', [{ ...row, kind: 'months' as const, figure: '1,5' }], 'trigger', 0],
    ['linked to itself', [{ ...row, kind: 'linked' as const, word: 'p' }], 'trigger', 0],
    ['without a rule', [row, { ...row, kind: 'each-open' as const, rule: '' }], 'rule', 1],
    ['the same twice', [row, row], 'twice', 1],
  ])('%s is told', (_, rows, kind, at) => expect(dutyFault(rows)).toEqual({ kind, at }))
  it('takes a decimal comma', () => {
    const hours = triggerOf({ ...row, kind: 'hours', figure: '2,5' })
    expect(hours).toEqual({ kind: 'hours', hours: 2.5, counts: 'in-use' })
  })
})

describe('a name as an id', () => {
  it.each([
    ['Café, quayside', 'cafe-quayside'],
    ['  ', ''],
    ['Grease — grey!', 'grease-grey'],
    ['x'.repeat(40), 'x'.repeat(30)],
  ])('%s', (name, id) => expect(slugOf(name)).toBe(id))
})
