import { boundsOfDay, dayOf } from '@tadka/core/calendar'
import { dayLeft, type DayLeft } from '@tadka/core/duty'
import { coldStore, type SiteSet } from '@tadka/core/house'
import type { StationState } from '@tadka/core/procedure'
import { instant } from '@tadka/core/quantity'
import type { RoundState } from '@tadka/core/round'
import type { TaskState } from '@tadka/core/task'
import { shiftFold, type ShiftState } from '@tadka/core/record'
import { Refusal } from '@tadka/core/refusal'
import type { Pool } from '../db/pool.ts'
import * as queries from '../stream/queries.ts'
import {
  amendedSince,
  casesOpenBefore,
  coldReadsBetween,
  hoursWithRecords,
  runsBetween,
  stationsSince,
} from './day-queries.ts'

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

/** What holds for any day of a site: read once where several are looked at. */
export interface SiteKnown {
  readonly site: SiteSet
  readonly stations: readonly StationState[]
  /** Since when each station is in the log, milliseconds UTC. */
  readonly since: ReadonlyMap<string, number>
  readonly rounds: readonly RoundState[]
  readonly tasks: readonly TaskState[]
}

export async function siteKnown(pool: Pool, where: string): Promise<SiteKnown> {
  const [site, stations, since, rounds, tasks] = await Promise.all([
    siteOf(pool, where),
    queries.statesOfKind(pool, where, 'station') as Promise<StationState[]>,
    stationsSince(pool, where),
    queries.statesOfKind(pool, where, 'round') as Promise<RoundState[]>,
    queries.statesOfKind(pool, where, 'task') as Promise<TaskState[]>,
  ])
  return { site, stations, since, rounds, tasks }
}

/** What is left of a day, the amendments since it was signed among it. @param now milliseconds UTC. */
export async function leftOfDay(
  pool: Pool,
  where: string,
  day: string,
  now: number,
  known?: SiteKnown,
): Promise<DayLeft[]> {
  const all = known ?? (await siteKnown(pool, where))
  const { from, to } = boundsOfDay(all.site, day)
  const stores = all.stations.filter((s) => s.plate?.family === coldStore).map((s) => s.id)
  const [runs, cases, coldReads, { signatures: signed }] = await Promise.all([
    runsBetween(pool, where, from, to + dayMs),
    casesOpenBefore(pool, where, to),
    stores.length > 0 ? coldReadsBetween(pool, where, stores, from, to) : new Map<string, number[]>(),
    shiftOf(pool, where, day),
  ])
  const left = dayLeft({ ...all, runs, cases, coldReads }, day, instant(now))
  const last = signed.at(-1)
  const amended = last ? await amendedSince(pool, where, from, to, last.upTo) : []
  return [...left, ...amended.map((record): DayLeft => ({ what: 'amended', record }))]
}

/** How far back days are listed. */
const daysListed = 21

/** The last trading days that have records, the newest first, and today. @param types of records that count; all where left out. */
export async function daysWithRecords(
  pool: Pool,
  where: string,
  now: number,
  types?: readonly string[],
): Promise<{ readonly today: string; readonly days: readonly string[] }> {
  const set = await siteOf(pool, where)
  const hours = await hoursWithRecords(pool, where, now - daysListed * dayMs, types)
  const days = [...new Set(hours.map((at) => dayOf(set, instant(at))))].toSorted().reverse()
  return { today: dayOf(set, instant(now)), days }
}
