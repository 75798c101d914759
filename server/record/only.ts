import { boundsOfDay, dateAfter, dayOf } from '@tadka/core/calendar'
import { dayLeft } from '@tadka/core/duty'
import { instant } from '@tadka/core/quantity'
import type { Pool } from '../db/pool.ts'
import { casesOpenBefore, runsBetween } from './day-queries.ts'
import { siteKnown } from './day.ts'

/** What alone is looked for: cleanings that were late, or corrective actions that are open. */
export const onlySome = ['late', 'open'] as const
export type OnlySome = (typeof onlySome)[number]

/** Days that are looked through for late ones where nobody says from when, and at most. */
const [daysBack, daysAtMost] = [31, 92]
const dayMs = 86_400_000

/** A run or a corrective action that is alone looked for, and where it was. */
export interface About {
  readonly id: string
  readonly station: string | null
}

/**
 * The runs or corrective actions that are alone looked for.
 * @param from milliseconds UTC, null: a month back; @param to the end, not counted; null: now.
 */
export async function aboutOnly(
  pool: Pool,
  where: string,
  only: OnlySome,
  now: number,
  { from, to }: { readonly from: number | null; readonly to: number | null },
): Promise<About[]> {
  if (only === 'open') return casesOpenBefore(pool, where, Math.min(to ?? now + 1, now + 1))
  const known = await siteKnown(pool, where)
  const last = Math.min(to ?? now, now)
  const first = Math.max(from ?? last - daysBack * dayMs, last - daysAtMost * dayMs)
  // Dates far off have more digits, and are no order of their texts: nothing is looked for after the last day.
  if (first > last) return []
  const days: string[] = []
  for (
    let day = dayOf(known.site, instant(first));
    day <= dayOf(known.site, instant(last));
    day = dateAfter(day, 1)
  )
    days.push(day)
  // All their runs at once, and the next day's: what is late is often done after midnight.
  const [begin, end] = [days[0], days.at(-1)]
  if (begin === undefined || end === undefined) return []
  const runs = await runsBetween(
    pool,
    where,
    boundsOfDay(known.site, begin).from,
    boundsOfDay(known.site, dateAfter(end, 1)).to,
  )
  const left = days.flatMap((day) => dayLeft({ ...known, runs, cases: [] }, day, instant(now)))
  return left.flatMap((l) => (l.what === 'late' ? { id: l.run, station: l.station } : []))
}
