import type { Pool } from '../db/pool.ts'
import { inSite } from '../db/transaction.ts'

/** Puts a new calendar key in the place of the old one. */
export const setCalendarKey = (
  pool: Pool,
  site: string,
  person: string,
  keyHash: string,
  at: number,
): Promise<void> =>
  inSite(pool, site, async (db) => {
    const sql = `
      insert into calendar_key (site_id, person_id, key_hash, made_at) values ($1, $2, $3, $4)
      on conflict (site_id, person_id) do update set key_hash = excluded.key_hash, made_at = excluded.made_at`
    await db.query(sql, [site, person, keyHash, at])
  })

export const calendarKey = (pool: Pool, site: string, person: string): Promise<string | null> =>
  inSite(pool, site, async (db) => {
    const sql = 'select key_hash from calendar_key where site_id = $1 and person_id = $2'
    return (await db.query<{ key_hash: string }>(sql, [site, person])).rows[0]?.key_hash ?? null
  })
