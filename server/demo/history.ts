import { bathHours } from '@tadka/core/bath'
import { dateAfter, dateAt, tradingDayAt, tradingDays, weekdayOf } from '@tadka/core/calendar'
import { randomFrom } from '@tadka/core/quantity'
import { instant } from '@tadka/core/quantity'
import {
  latestProcedure,
  proceduresOf,
  startFaults,
  stationFold,
  type StationState,
} from '@tadka/core/procedure'
import type { AnyDraft, AnyRecord } from '@tadka/core/stream'
import { workRun } from './crew.ts'
import { Diary } from './diary.ts'
import { coldHistory } from './cold.ts'
import { roundHistory } from './rounds.ts'
import { pestHistory } from './pests.ts'
import { repairHistory } from './repairs.ts'
import { storeHistory } from './store.ts'
import { stockHistory } from './stock.ts'
import { dishHistory } from './dish.ts'
import { Hands, handsMinutes } from './hands.ts'
import { instruments, people, site, siteId } from './house.ts'
import { papers, crew, rosters } from './roster.ts'
import { mixes, products, spares, stations } from './products.ts'

const minute = 60_000

/** The house as it is set up by the manager, an hour before the first day. */
function setUp(diary: Diary, at: number, now: number): void {
  const by = 'oriel'
  for (const [id, plate] of Object.entries(stations))
    diary.note(at, by, 'station.set@1', { kind: 'station', id }, plate)
  for (const [id, product] of Object.entries(products))
    diary.note(at, by, 'product.set@1', { kind: 'product', id }, product)
  for (const [id, one] of Object.entries(instruments(now)))
    diary.note(at, by, 'instrument.set@1', { kind: 'instrument', id }, one)
  const water = { hardness: 154, with: 'hardness strips' }
  diary.note(at, by, 'water.measured@1', { kind: 'site', id: siteId }, water)
  for (const product of ['skerrychlor', 'brineguard'])
    diary.note(
      at,
      by,
      'concentrate.opened@1',
      { kind: 'product', id: product },
      { product, openedAt: at, bestBefore: now + 180 * 24 * 60 * minute, daysOnceOpen: 180 },
    )
  const opened = { product: 'kelpwash', openedAt: at, bestBefore: null, daysOnceOpen: null, holds: 10_000 }
  diary.note(at, by, 'concentrate.opened@1', { kind: 'product', id: 'kelpwash' }, opened)
  for (const [id, spare] of Object.entries(spares))
    diary.note(at, by, 'spare.set@1', { kind: 'spare', id }, spare)
  for (const [id, mix] of Object.entries(mixes)) diary.note(at, by, 'mix.set@1', { kind: 'mix', id }, mix)
  for (const [id, person] of Object.entries(crew))
    diary.note(at, by, 'crew.set@1', { kind: 'crew', id }, person)
  for (const [id, kind, number, until] of papers) {
    const paper = { paper: `paper-${id}`, kind, name: '', number, issued: null, until, photo: null }
    diary.note(at, by, 'training.paper@1', { kind: 'training', id }, { ...paper, removed: false })
  }
  for (const roster of rosters(dateAfter(dateAt(instant(now), site.timeZone), -1), 15))
    diary.note(at, by, 'roster.set@1', { kind: 'roster', id: roster.day }, roster)
  for (const ratio of [0.98, 1.02, 0.99])
    diary.note(
      at,
      by,
      'instrument.checked@1',
      { kind: 'instrument', id: 'quat-pump' },
      { instrument: 'quat-pump', method: 'delivery', count: 5, measured: 25 * ratio, ratio },
    )
}

/** How each machine stands on the first day: closed the night before, told by the manager, or as it is seen. */
function firstStates(diary: Diary, at: number): Map<string, StationState> {
  return new Map(
    Object.entries(stations).map(([id, plate]) => {
      const stands: StationState = { ...stationFold.initial(id), plate }
      const closing = plate.duties.find((d) => d.trigger.kind === 'each-close')
      const close = closing && latestProcedure(closing.procedure)
      const begins = proceduresOf(plate.family).map((p) => p.begins ?? {})
      const opened = plate.duties.some((d) => d.trigger.kind === 'each-open')
      if (close && opened && close.ends?.contents === 'empty') {
        const run = `run-${id}-before`
        const from = at - 9 * 60 * minute
        const told = {
          station: id,
          procedure: { id: close.id, version: close.version },
          who: 'ines',
          read: '',
        }
        const draft = diary.note(
          at,
          'oriel',
          'run.entered@1',
          { kind: 'run', id: run },
          { run, ...told, from, to: from + 50 * minute },
        )
        return [id, stationFold.apply(stands, stored(draft))]
      }
      const contents = begins.find((b) => b.contents !== undefined)?.contents
      if (contents !== 'product' && contents !== 'empty') return [id, stands]
      const draft = diary.note(
        at,
        'oriel',
        'station.observed@1',
        { kind: 'station', id },
        { station: id, contents, assembly: 'whole', power: 'on' },
      )
      return [id, stationFold.apply(stands, stored(draft))]
    }),
  )
}

/** What falls due at each opening or close, the longest first: that is how people get home. */
const longestFirst = (kind: 'each-open' | 'each-close') =>
  Object.entries(stations)
    .flatMap(([id, plate]) =>
      plate.duties.flatMap(({ trigger, procedure }) => {
        const found = latestProcedure(procedure)
        return found && trigger.kind === kind ? [{ id, procedure, takes: handsMinutes(found, id) }] : []
      }),
    )
    .toSorted((a, b) => b.takes - a.takes)

const stored = (draft: AnyDraft): AnyRecord =>
  ({ ...draft, seq: 0, receivedAt: draft.observedAt, clockOffset: 0, prev: '', flags: [] }) as AnyRecord

/**
 * The demo's records up to `now`, in the order they happened: the set-up, then `days` trading days of openings and
 * closings with the failures and corrections that come with them. The close of the day under way is left to do.
 * @param now milliseconds UTC; @param days how many days back, 14 for the demo, 365 for a year.
 */
export function demoHistory(now: number, days: number, seed = 2110): AnyDraft[] {
  const diary = new Diary(siteId, 'demo-tablet')
  const random = randomFrom(seed)
  const first = dateAfter(dateAt(instant(now), site.timeZone), -days)
  const trading = tradingDays(site, first, days + 2)
  const opening = trading[0]
  if (!opening) return []
  setUp(diary, opening.opens - 300 * minute, now)
  const standing = firstStates(diary, opening.opens - 299 * minute)
  const today = tradingDayAt(site, instant(now), 120)?.date
  const hands = new Hands(people.map((p) => p.id))
  const work = (station: string, procedure: string, wanted: number) => {
    const found = latestProcedure(procedure)
    const on = standing.get(station)
    if (!found || !on || wanted + 90 * minute >= now) return
    if (startFaults(found, on).length > 0)
      throw new Error(
        `the demo begins ${procedure} on ${station} as it does not stand: ${JSON.stringify(on.facets)}`,
      )
    const { by, start } = hands.for(station, found, wanted, random())
    if (start + 90 * minute >= now) return
    const worked = workRun(diary, on, found, start, { by, random, weakMix: random() < 0.14 })
    hands.done(station, worked.end)
    standing.set(station, worked.station)
  }
  /** What falls due by hours in use, and baths that grow old: each time a little before. */
  const hourly = (id: string, day: { readonly opens: number; readonly closes: number }) => {
    for (const { procedure, trigger } of stations[id]?.duties ?? []) {
      const hours =
        trigger.kind === 'predicted' && trigger.what === 'bath'
          ? bathHours.changeHours
          : trigger.kind === 'hours' && trigger.counts === 'in-use' && trigger.hours !== 'room'
            ? trigger.hours
            : null
      if (hours === null) continue
      const every = hours * 60 * minute
      for (let at = day.opens + every; at < day.closes - 60 * minute; at += every)
        work(id, procedure, at - (32 + random() * 10) * minute)
    }
  }
  dishHistory(diary, first, days, now, randomFrom(seed + 1))
  coldHistory(diary, first, days, now, randomFrom(seed + 2))
  roundHistory(diary, first, days, now, randomFrom(seed + 3))
  // On the day before, the manager told how the machines stood: that is looked through as well.
  const before = dateAfter(opening.date, -1)
  diary.note(
    opening.opens + 9 * 60 * minute,
    'ines',
    'shift.reviewed@1',
    { kind: 'shift', id: before },
    { day: before, upTo: diary.drafts.length, note: '' },
  )
  for (const day of trading) {
    // What takes long is begun early; a bucket is no use hours before anybody wipes.
    for (const { id, procedure, takes } of longestFirst('each-open'))
      work(id, procedure, day.opens - ((takes > 12 ? 127 : 85) - random() * 15) * minute)
    for (const id of Object.keys(stations)) {
      for (const { procedure, trigger } of stations[id]?.duties ?? []) {
        const weekly = trigger.kind === 'weekly' && weekdayOf(day.date) === trigger.day
        const first = trigger.kind === 'months' && day === opening
        if (weekly || first) work(id, procedure, day.opens + (480 + random() * 120) * minute)
      }
    }
    for (const id of Object.keys(stations)) hourly(id, day)
    if (day.date === today) break
    for (const { id, procedure } of longestFirst('each-close'))
      work(id, procedure, day.closes - (48 - random() * 20) * minute)
    const lead = random() < 0.9 ? 'ines' : 'oriel'
    const signedAt = day.closes + (100 + random() * 15) * minute
    if (signedAt < now)
      diary.note(
        signedAt,
        lead,
        'shift.signed@1',
        { kind: 'shift', id: day.date },
        {
          day: day.date,
          upTo: diary.drafts.length,
          openCases: [],
          reason: '',
        },
      )
    // Who did not sign it looks it through the next forenoon; the last two days wait.
    const reviewedAt = day.closes + (11 * 60 + ((Number(day.date.slice(-2)) * 7) % 30)) * minute
    if (reviewedAt < now - 24 * 60 * minute)
      diary.note(
        reviewedAt,
        lead === 'ines' ? 'oriel' : 'ines',
        'shift.reviewed@1',
        { kind: 'shift', id: day.date },
        { day: day.date, upTo: diary.drafts.length, note: '' },
      )
  }
  stockHistory(diary, first, days, now)
  storeHistory(diary, opening.opens - 220 * minute, now)
  repairHistory(diary, opening.opens, now)
  pestHistory(diary, opening.opens - 230 * minute, now)
  return diary.drafts.toSorted((a, b) => a.observedAt - b.observedAt || a.counter - b.counter)
}
