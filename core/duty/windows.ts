import { Temporal } from 'temporal-polyfill'
import type { LastRun, StationState } from '../procedure/station-state.ts'
import { baseOf } from '../procedure/own.ts'
import { instant, type Instant } from '../quantity/index.ts'
import type { SiteSet } from '../house/site.ts'
import type { StationDuty, Trigger } from '../house/station.ts'
import { cleaningInterval } from '../rules/index.ts'
import { dutiesOf } from './duties.ts'
import { dateAt, instantAt, weekdayOf, type TradingDay } from '../calendar/index.ts'

/** When a duty may be done, is aimed at, and must be done by. `day`: the trading day or date that it belongs to. */
export interface Window {
  readonly day: string
  readonly earliest: Instant
  readonly target: Instant
  readonly latest: Instant
}

/** What forecasts expect, by station: made elsewhere, read here. */
export interface Prediction {
  readonly station: string
  readonly what: string
  readonly from: Instant
  readonly at: Instant
}

export interface DutyContext {
  readonly site: SiteSet
  /** Trading days around now, in order. */
  readonly days: readonly TradingDay[]
  readonly now: Instant
  readonly predictions: readonly Prediction[]
}

const minuteMs = 60_000
const hourMs = 3_600_000
const dayMs = 86_400_000
const after = (at: number, ms: number): Instant => instant(at + ms)

/** Minutes before and after opening or closing within which the work belongs. Common practice, no source. */
const around = {
  'each-close': { earliest: -180, target: 45, latest: 120 },
  'each-open': { earliest: -240, target: -30, latest: 0 },
  /** A weekly job may be done up to three days early and counts. */
  weekly: { earliest: -72 * 60, target: 45, latest: 120 },
} as const

function aroundDay(day: TradingDay, kind: keyof typeof around): Window {
  const at = kind === 'each-open' ? day.opens : day.closes
  const w = around[kind]
  return {
    day: day.date,
    earliest: after(at, w.earliest * minuteMs),
    target: after(at, w.target * minuteMs),
    latest: after(at, w.latest * minuteMs),
  }
}

/** The windows of a trigger that comes back with the trading days, or null for the other triggers. */
function recurring(trigger: Trigger, days: readonly TradingDay[]): Window[] | null {
  if (trigger.kind === 'each-close' || trigger.kind === 'each-open')
    return days.map((day) => aroundDay(day, trigger.kind))
  if (trigger.kind !== 'weekly') return null
  // On its weekday, or on the first trading day after it.
  return days
    .filter((day, i) => {
      const before = days[i - 1]
      const gap = before ? Temporal.PlainDate.from(before.date).until(day.date).days : 1
      return Array.from({ length: gap }, (_, n) => weekdayOf(minusDays(day.date, n))).includes(trigger.day)
    })
    .map((day) => aroundDay(day, 'weekly'))
}

/** What is done every few hours in use is not closed by the last of those: only what is done within the last hour is. Common practice, no source. */
const notTheCloseMs = 2 * hourMs

/** Whether a close is of work that is done by hours in use, too: then only what is done around it is the close. */
export const isCloseByHours = (station: StationState, { procedure, trigger }: StationDuty): boolean =>
  trigger.kind === 'each-close' &&
  dutiesOf(station).some(
    (d) => d.procedure === procedure && d.trigger.kind === 'hours' && d.trigger.counts === 'in-use',
  )

/** The windows of a station's duty that comes back with the trading days, or null for others. */
export function recurringOn(
  station: StationState,
  duty: StationDuty,
  days: readonly TradingDay[],
): Window[] | null {
  const windows = recurring(duty.trigger, days)
  return isCloseByHours(station, duty)
    ? (windows?.map((w) => ({ ...w, earliest: after(w.earliest, notTheCloseMs) })) ?? null)
    : windows
}

const minusDays = (date: string, days: number): string =>
  Temporal.PlainDate.from(date).subtract({ days }).toString()

/** The one window that stands open for a trigger counted from when it was last done; null where nothing is due. */
export function counted(
  duty: StationDuty,
  station: StationState,
  last: LastRun | null,
  context: DutyContext,
): Window | null {
  const { trigger } = duty
  switch (trigger.kind) {
    case 'hours':
      return byHours(trigger, station, last, context)
    case 'months':
      return byMonths(trigger.months, last, context)
    case 'count':
      return byCount(trigger, station, last, context)
    case 'sign':
      return bySign(trigger.sign, station, context)
    case 'predicted': {
      const found = context.predictions.find((p) => p.station === station.id && p.what === trigger.what)
      if (!found || (trigger.what === bathSpent && isAtNight(found.at, context))) return null
      return span(context, found.from, found.from, found.at)
    }
    case 'linked': {
      const other = station.lastRuns[baseOf(trigger.to)]
      if (!other || (last && last.finishedAt >= other.finishedAt)) return null
      return byTheClose(context, other.finishedAt)
    }
    default:
      return null
  }
}

/** The event that a bath is weak or old, as duties name it. One that comes so while nobody trades is thrown out at the close. */
export const bathSpent = 'bath'
const isAtNight = (at: number, { days, now }: DutyContext): boolean =>
  !days.some(
    (d) => at >= d.opens && at <= d.closes && now <= d.closes + around['each-close'].latest * minuteMs,
  )

/** What is forecast falls between milliseconds; calendars know whole ones only. */
const whole = (at: number): Instant => instant(Math.round(at))

const span = ({ site }: DutyContext, earliest: number, target: number, latest: number): Window => ({
  day: dateAt(whole(latest), site.timeZone),
  earliest: whole(earliest),
  target: whole(target),
  latest: whole(latest),
})

/** From an instant until the close of that trading day, and at the latest of the next one. */
function byTheClose(context: DutyContext, from: number): Window {
  const [first, second] = context.days.filter((d) => d.closes > from)
  const target = first?.closes ?? from + dayMs
  return span(context, from, target, second?.closes ?? target + dayMs)
}

/** Never done as far as anyone knows: due at once, and by the next close. */
const neverDone = (context: DutyContext): Window => {
  const close = context.days.find((d) => d.closes > context.now)?.closes ?? context.now + dayMs
  return span(context, context.now, context.now, close)
}

function byHours(
  trigger: Trigger & { kind: 'hours' },
  station: StationState,
  last: LastRun | null,
  context: DutyContext,
): Window | null {
  const room = station.facets.temperature
  const hours =
    trigger.hours === 'room'
      ? cleaningInterval(room === null ? null : { value: room, unit: '°C' }).hours
      : trigger.hours
  const openDay = context.days.find((d) => d.closes > context.now)
  if (!last && trigger.counts === 'clock') return neverDone(context)
  const from =
    trigger.counts === 'in-use'
      ? Math.max(last?.finishedAt ?? 0, openDay?.opens ?? 0)
      : (last?.finishedAt ?? 0)
  const due = from + hours * hourMs
  // Where it falls due while nobody trades, it is done before the next use.
  const closed = !context.days.some((d) => due >= d.opens && due <= d.closes)
  const opens = context.days.find((d) => d.opens > due)?.opens
  const latest =
    closed && opens !== undefined ? (trigger.counts === 'in-use' ? opens + hours * hourMs : opens) : due
  const margin = Math.min(30 * minuteMs, hours * hourMs * 0.1)
  return span(context, Math.min(from + (hours * hourMs) / 2, latest - margin), latest - margin, latest)
}

/** Days before the latest date within which it is aimed at and may be done, for each month of its interval. */
const aimDays = 7 / 3
const earlyDays = 7

function byMonths(months: number, last: LastRun | null, context: DutyContext): Window {
  if (!last) return neverDone(context)
  const { timeZone } = context.site
  const date = Temporal.PlainDate.from(dateAt(instant(last.finishedAt), timeZone)).add({ months })
  const latest = instantAt(date.toString(), '24:00', timeZone)
  return span(context, latest - months * earlyDays * dayMs, latest - months * aimDays * dayMs, latest)
}

/** Shares of a count from which it may be done, and from which it is aimed at. */
const earlyShare = 0.8
const aimShare = 0.95

function byCount(
  trigger: Trigger & { kind: 'count' },
  station: StationState,
  last: LastRun | null,
  context: DutyContext,
): Window | null {
  const read = station.counts[trigger.of]
  if (!read) return null
  const done = read.total - (last?.counts?.[trigger.of] ?? 0)
  if (done >= trigger.every) return byTheClose(context, read.at)
  const since = last?.finishedAt ?? null
  const rate = since !== null && read.at > since ? done / (read.at - since) : 0
  if (rate <= 0) return null
  const reaches = (share: number) => read.at + (trigger.every * share - done) / rate
  return span(context, reaches(earlyShare), reaches(aimShare), reaches(1))
}

function bySign(sign: string, station: StationState, context: DutyContext): Window | null {
  const seen = station.signs.find((s) => s.sign === sign)
  return seen ? byTheClose(context, seen.at) : null
}
