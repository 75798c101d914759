import type { Instant } from '../quantity/index.ts'
import type { SiteSet } from '../house/site.ts'
import { dateAfter, dateAt, instantAt, weekdayOf } from './trading-day.ts'

export interface Departure {
  readonly at: Instant
  readonly departs: string
  readonly load: number
}

/** Sailings that leave from `from` to `to`, milliseconds UTC, earliest first. */
export function departures(site: SiteSet, from: Instant, to: Instant): Departure[] {
  const first = dateAt(from, site.timeZone)
  const dates = [-1, 0, 1, 2].map((n) => dateAfter(first, n))
  return dates
    .flatMap((date) =>
      site.sailings
        .filter((s) => s.days.includes(weekdayOf(date)))
        .map((s) => ({ at: instantAt(date, s.departs, site.timeZone), departs: s.departs, load: s.load })),
    )
    .filter((d) => d.at >= from && d.at <= to)
    .toSorted((a, b) => a.at - b.at)
}

/** People come a quarter of an hour before it sails, most within a quarter of an hour of that. Invented for the demo's kind of site. */
const comeBefore = 13 * 60_000
const spread = 16 * 60_000

/** How busy the counters are at an instant, 1 being an ordinary rush. */
export const tideAt = (sailings: readonly Departure[], at: Instant): number =>
  sailings.reduce((sum, s) => sum + s.load * Math.exp(-(((at - s.at + comeBefore) / spread) ** 2)), 0)
