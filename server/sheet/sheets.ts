import { boundsOfDay } from '@tadka/core/duty'
import type { StationState } from '@tadka/core/procedure'
import { daySheet, sheetTypes, type DaySheet } from '@tadka/core/sheet'
import type { Pool } from '../db/pool.ts'
import { leftOfDay, shiftOf, siteOf } from '../record/day.ts'
import { runsBetween } from '../record/day-queries.ts'
import { statesOfKind } from '../stream/queries.ts'
import { amendmentsOf, casesBetween, recordsBetween } from './queries.ts'

/** A site's sheet of one trading day, from its records. @param day ISO date; @param now milliseconds UTC. */
export async function sheetOfDay(pool: Pool, site: string, day: string, now: number): Promise<DaySheet> {
  const { from, to } = boundsOfDay(await siteOf(pool, site), day)
  const [records, runs, cases, stations, left, shift] = await Promise.all([
    recordsBetween(pool, site, from, to, sheetTypes),
    runsBetween(pool, site, from, to),
    casesBetween(pool, site, from, to),
    statesOfKind(pool, site, 'station') as Promise<StationState[]>,
    leftOfDay(pool, site, day, now),
    shiftOf(pool, site, day),
  ])
  const ids = records.map((r) => r.id)
  const amendments = await amendmentsOf(pool, site, ids)
  return daySheet({
    day,
    from,
    to,
    records,
    amendments,
    runs,
    cases,
    stations,
    left,
    ...{ signed: shift.signatures, reviewed: shift.reviews },
  })
}
