import type { Instant } from '../quantity/index.ts'
import type { SiteSet } from '../house/site.ts'
import { dateAfter, dateAt, instantAt, weekdayOf } from '../calendar/index.ts'

/** One rush of one day. */
export interface RushPeak {
  /** When most guests are there, milliseconds UTC. */
  readonly at: Instant
  /** How far from the peak demand has fallen to 1/e of it, milliseconds. */
  readonly spread: number
  /** How many guests it brings, 1 being an ordinary rush. */
  readonly load: number
  /** The sailing that makes it; null where the rush was entered as hours of the week. */
  readonly sailing: { readonly at: Instant; readonly departs: string } | null
}

/** People come a quarter of an hour before it sails, most within a quarter of an hour of that. Invented for the demo's kind of site. */
const comeBefore = 13 * 60_000
const spreadOfSailing = 16 * 60_000
/** At the ends of its hours a rush has fallen to a third of its peak: what counts as a rush at all. */
const endsAt = Math.sqrt(Math.log(3))

/** Rushes whose peak lies from `from` to `to`, milliseconds UTC, earliest first. */
export function rushPeaks(site: SiteSet, from: Instant, to: Instant): RushPeak[] {
  const first = dateAt(from, site.timeZone)
  const peaks = [-1, 0, 1, 2].flatMap((n) => {
    const date = dateAfter(first, n)
    const isThen = ({ days }: { readonly days: readonly number[] }) => days.includes(weekdayOf(date))
    const instantOf = (time: string) => instantAt(date, time, site.timeZone)
    return [
      ...site.sailings.filter(isThen).map(({ departs, load }): RushPeak => {
        const at = instantOf(departs)
        return { at: (at - comeBefore) as Instant, spread: spreadOfSailing, load, sailing: { at, departs } }
      }),
      ...(site.rushes ?? []).filter(isThen).map((rush): RushPeak => {
        const [begins, ends] = [instantOf(rush.from), instantOf(rush.to)]
        const at = ((begins + ends) / 2) as Instant
        return { at, spread: (ends - begins) / 2 / endsAt, load: rush.load, sailing: null }
      }),
    ]
  })
  return peaks.filter((p) => p.at >= from && p.at <= to).toSorted((a, b) => a.at - b.at)
}

/** How busy the counters are at an instant, 1 being an ordinary rush. */
export const demandAt = (peaks: readonly RushPeak[], at: Instant): number =>
  peaks.reduce((sum, p) => sum + p.load * Math.exp(-(((at - p.at) / p.spread) ** 2)), 0)
