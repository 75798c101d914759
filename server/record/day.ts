import { boundsOfDay, dayLeft, type DayLeft } from '@tadka/core/duty'
import type { SiteSet } from '@tadka/core/house'
import type { StationState } from '@tadka/core/procedure'
import { instant } from '@tadka/core/quantity'
import { shiftFold, type ShiftState } from '@tadka/core/record'
import { Refusal } from '@tadka/core/refusal'
import type { Pool } from '../db/pool.ts'
import * as queries from '../stream/queries.ts'
import { amendedSince, casesOpenBefore, runsBetween, stationsSince } from './day-queries.ts'

const dayMs = 86_400_000

/** The site with its hours and zone. Throws `not_found` where nobody has set them. */
export async function siteOf(pool: Pool, where: string): Promise<SiteSet> {
  const set = (await queries.stateOf(pool, where, 'site', where))?.state as Partial<SiteSet> | undefined
  if (!set?.hours || !set.timeZone) throw new Refusal('not_found')
  return set as SiteSet
}

/** Who signed a day and who looked it through, the first one first. @param day ISO date. */
export const shiftOf = async (pool: Pool, where: string, day: string): Promise<ShiftState> =>
  ((await queries.stateOf(pool, where, 'shift', day))?.state as ShiftState | undefined) ??
  shiftFold.initial(day)

/** What is left of a day, the amendments since it was signed among it. @param now milliseconds UTC. */
export async function leftOfDay(pool: Pool, where: string, day: string, now: number): Promise<DayLeft[]> {
  const set = await siteOf(pool, where)
  const { from, to } = boundsOfDay(set, day)
  const [stations, runs, cases, { signatures: signed }, since] = await Promise.all([
    queries.statesOfKind(pool, where, 'station') as Promise<StationState[]>,
    runsBetween(pool, where, from, to + dayMs),
    casesOpenBefore(pool, where, to),
    shiftOf(pool, where, day),
    stationsSince(pool, where),
  ])
  const left = dayLeft({ site: set, stations, runs, cases, since }, day, instant(now))
  const last = signed.at(-1)
  const amended = last ? await amendedSince(pool, where, from, to, last.upTo) : []
  return [...left, ...amended.map((record): DayLeft => ({ what: 'amended', record }))]
}
