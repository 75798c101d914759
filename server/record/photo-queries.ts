import type { Pool } from '../db/pool.ts'
import { inSite } from '../db/transaction.ts'

/** A photo's bytes; null where they have not come. */
export const photoBytes = (pool: Pool, site: string, sha256: string): Promise<Buffer | null> =>
  inSite(pool, site, async (db) => {
    const sql = 'select bytes from photo where site_id = $1 and sha256 = $2'
    return (await db.query<{ bytes: Buffer }>(sql, [site, sha256])).rows[0]?.bytes ?? null
  })
