import { inSite } from '../db/transaction.ts'
import type { Pool } from '../db/pool.ts'

/** Runs of a station that the tablet saw between two instants (ms UTC), by id; those entered later are not among them. */
export const runsBetween = (
  pool: Pool,
  site: string,
  station: string,
  from: number,
  to: number,
): Promise<string[]> =>
  inSite(pool, site, async (db) => {
    const sql = `
      select subject_id as id from subject_state
      where site_id = $1 and kind = 'run' and state ->> 'station' = $2
        and not coalesce((state ->> 'entered')::boolean, false)
        and (state ->> 'startedAt')::bigint < $4
        and coalesce((state ->> 'endedAt')::bigint, $4) > $3
      order by 1`
    return (await db.query<{ id: string }>(sql, [site, station, from, to])).rows.map((r) => r.id)
  })
