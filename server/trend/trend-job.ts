import { dateAfter, dayOf } from '@tadka/core/calendar'
import { instant } from '@tadka/core/quantity'
import type { DaySheet } from '@tadka/core/sheet'
import { trendsOf, type Trends } from '@tadka/core/trend'
import { siteKnown } from '../record/day.ts'
import { sheetOfDay } from '../sheet/sheets.ts'
import { ownPool } from '../work/database.ts'
import { Outlet } from '../work/outlet.ts'
import type { Job } from '../work/work.ts'

export interface TrendAsked {
  readonly site: string
  /** How many days back, today counted. */
  readonly days: number
  /** Milliseconds UTC. */
  readonly at: number
}

/** How many days are read, while they are; at the end what they tell. */
export type TrendLine = { readonly done: number; readonly of: number } | { readonly trends: Trends }

/** Reads the days one by one; stops where nobody waits for it any more. */
export default async function trendJob({ asked, port }: Job<TrendAsked>): Promise<void> {
  if (!port) throw new TypeError('trends tell how far they are')
  const outlet = new Outlet<TrendLine>(port)
  const { site, at } = asked
  try {
    const known = await siteKnown(ownPool(), site)
    const today = dayOf(known.site, instant(at))
    const days: DaySheet[] = []
    for (let back = asked.days - 1; back >= 0; back--) {
      days.push(await sheetOfDay(ownPool(), site, dateAfter(today, -back), at, known))
      if (!(await outlet.put({ done: days.length, of: asked.days }))) return
    }
    // Days before there was anything are no days of this site.
    const first = days.findIndex((d) => d.stations.length > 0 || d.left.length > 0)
    await outlet.put({ trends: trendsOf(first < 0 ? [] : days.slice(first), known.site.timeZone) })
  } finally {
    outlet.close()
  }
}
