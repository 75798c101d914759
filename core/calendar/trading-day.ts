import { Temporal } from 'temporal-polyfill'
import { instant, type Instant } from '../quantity/index.ts'
import type { LocalTime, SiteSet } from '../house/site.ts'

/** One trading day of a site: its ISO date, and when it opens and closes. */
export interface TradingDay {
  readonly date: string
  readonly opens: Instant
  readonly closes: Instant
}

/** Local "HH:MM" on a date, in the site's zone; hours past 24 fall on the next date. Clock changes are the zone's own. */
export function instantAt(date: string, time: LocalTime, timeZone: string): Instant {
  const [hours = 0, minutes = 0] = time.split(':').map(Number)
  const day = Temporal.PlainDate.from(date).add({ days: Math.floor(hours / 24) })
  const at = day.toPlainDateTime({ hour: hours % 24, minute: minutes }).toZonedDateTime(timeZone)
  return instant(at.epochMilliseconds)
}

/**
 * The hour of the day there, 0 to 23. @param timeZone IANA.
 * @example hourAt(instant(Date.UTC(2026, 10, 26, 23, 30)), 'Europe/Berlin') // 0
 */
export const hourAt = (at: Instant, timeZone: string): number =>
  Temporal.Instant.fromEpochMilliseconds(at).toZonedDateTimeISO(timeZone).hour

/**
 * The time of day there, "HH:MM", from 00:00 to 23:59. @param timeZone IANA.
 * @example localTimeAt(instant(Date.UTC(2026, 10, 26, 23, 5)), 'Europe/Berlin') // '00:05'
 */
export const localTimeAt = (at: Instant, timeZone: string): LocalTime =>
  Temporal.Instant.fromEpochMilliseconds(at)
    .toZonedDateTimeISO(timeZone)
    .toPlainTime()
    .toString({ smallestUnit: 'minute' })

/**
 * The date in the site's zone at an instant.
 * @example dateAt(instant(Date.UTC(2026, 10, 26, 23, 30)), 'Europe/Berlin') // '2026-11-27'
 */
export const dateAt = (at: Instant, timeZone: string): string =>
  Temporal.Instant.fromEpochMilliseconds(at).toZonedDateTimeISO(timeZone).toPlainDate().toString()

/**
 * The date `days` later (or earlier, below zero).
 * @example dateAfter('2026-12-30', 3) // '2027-01-02'
 */
export const dateAfter = (date: string, days: number): string =>
  Temporal.PlainDate.from(date).add({ days }).toString()

/**
 * The month so many months after another, calendar months. @param month "2026-11".
 * @example monthAfter('2026-11', 2) // '2027-01'
 */
export function monthAfter(month: string, months: number): string {
  const [year = 0, m = 1] = month.split('-').map(Number)
  const all = year * 12 + (m - 1) + months
  return `${Math.floor(all / 12)}-${String((all % 12) + 1).padStart(2, '0')}`
}

/** ISO weekday of a date, 1 is Monday. */
export const weekdayOf = (date: string): number => Temporal.PlainDate.from(date).dayOfWeek

/** The trading day of a date, or null where the site is closed on it. */
export function tradingDay(
  site: Pick<SiteSet, 'hours' | 'closedDays' | 'timeZone'>,
  date: string,
): TradingDay | null {
  const hours = site.hours[String(weekdayOf(date))]
  if (!hours || site.closedDays.includes(date)) return null
  return {
    date,
    opens: instantAt(date, hours.open, site.timeZone),
    closes: instantAt(date, hours.close, site.timeZone),
  }
}

/** The trading days of `days` dates from `from`, the closed ones left out. */
export function tradingDays(site: SiteSet, from: string, days: number): TradingDay[] {
  return Array.from({ length: days }, (_, i) => tradingDay(site, dateAfter(from, i))).filter(
    (d) => d !== null,
  )
}

/** Hours after a close within which its work and its records still belong to that day. Common practice, no source. */
const afterClose = 4 * 3_600_000

/**
 * The day that what happened at an instant belongs to, ISO date: that of the trading day before until some hours after its
 * close, past midnight too; else the date in the site's zone. One function for the log, the signature and the prints.
 */
export function dayOf(site: Pick<SiteSet, 'hours' | 'closedDays' | 'timeZone'>, at: Instant): string {
  const date = dateAt(at, site.timeZone)
  const before = tradingDay(site, dateAfter(date, -1))
  return before && at < before.closes + afterClose ? before.date : date
}

/** When a day begins and ends, by `dayOf`: milliseconds UTC, the end not counted. */
export function boundsOfDay(
  site: Pick<SiteSet, 'hours' | 'closedDays' | 'timeZone'>,
  date: string,
): { readonly from: Instant; readonly to: Instant } {
  const begins = (of: string) => {
    const midnight = instantAt(of, '00:00', site.timeZone)
    const before = tradingDay(site, dateAfter(of, -1))
    return instant(Math.max(midnight, before ? before.closes + afterClose : midnight))
  }
  return { from: begins(date), to: begins(dateAfter(date, 1)) }
}

/** The trading day under way or the next to come, at an instant: after a close past midnight it is still yesterday's. */
export function tradingDayAt(site: SiteSet, at: Instant, afterCloseMinutes = 240): TradingDay | null {
  const days = tradingDays(site, dateAfter(dateAt(at, site.timeZone), -1), 15)
  return days.find((d) => at < d.closes + afterCloseMinutes * 60_000) ?? null
}
