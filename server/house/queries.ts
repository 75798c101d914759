import type { RecordType } from '@tadka/core/stream'
import { inSite } from '../db/transaction.ts'
import type { Pool } from '../db/pool.ts'

/** What each subject was last set to, by its kind and id with a space between. */
export const lastSets = (
  pool: Pool,
  site: string,
  types: readonly RecordType[],
): Promise<Map<string, object>> =>
  inSite(pool, site, async (db) => {
    const sql = `
      select distinct on (subject_kind, subject_id) subject_kind || ' ' || subject_id as key, body -> 'payload' as payload
      from record where site_id = $1 and type = any ($2)
      order by subject_kind, subject_id, seq desc`
    const { rows } = await db.query<{ key: string; payload: object }>(sql, [site, types])
    return new Map(rows.map((r) => [r.key, r.payload]))
  })
