import { boundsOfDay } from '@tadka/core/calendar'
import { aboutRefs, daySheet, hasHappened, sheetTypes, type DaySheet } from '@tadka/core/sheet'
import { paperOn, type TrainingState } from '@tadka/core/training'
import type { Pool } from '../db/pool.ts'
import { runsBetween } from '../record/day-queries.ts'
import { leftOfDay, shiftOf, siteKnown, type SiteKnown } from '../record/day.ts'
import { stateOf, statesAbout } from '../stream/queries.ts'
import { amendmentsOf, casesBetween, racksBetween, recordsBetween } from './queries.ts'

/**
 * A site's sheet of one trading day, from its records. @param day ISO date. @param now milliseconds UTC. @param known where several days
 * are looked at.
 */
export async function sheetOfDay(
  pool: Pool,
  site: string,
  day: string,
  now: number,
  known?: SiteKnown,
): Promise<DaySheet> {
  const all = known ?? (await siteKnown(pool, site))
  const { from, to } = boundsOfDay(all.site, day)
  const [records, racks, runs, cases, left, shift] = await Promise.all([
    recordsBetween(pool, site, from, to, sheetTypes),
    racksBetween(pool, site, from, to),
    runsBetween(pool, site, from, to),
    casesBetween(pool, site, from, to),
    leftOfDay(pool, site, day, now, all),
    shiftOf(pool, site, day),
  ])
  const ids = records.map((r) => r.id)
  const [amendments, about] = await Promise.all([
    amendmentsOf(pool, site, ids),
    statesAbout(pool, site, records.filter(hasHappened).flatMap(aboutRefs)),
  ])
  const { signatures: signed, reviews: reviewed } = shift
  const charge = await Promise.all(
    (shift.charge ?? []).map(async ({ at, by }) => {
      const training = (await stateOf(pool, site, 'training', by))?.state as TrainingState | undefined
      return { at, by, paper: paperOn(training?.papers ?? [], day) }
    }),
  )
  const ofDay = { records: [...records, ...racks], amendments, runs, cases, left, signed, reviewed, charge }
  return daySheet({
    ...{ day, from, to, stations: all.stations, ...ofDay },
    stateOf: ({ kind, id }) => about.get(`${kind} ${id}`),
  })
}
