import type { RunState } from '@tadka/core/procedure'
import { inSite } from '../db/transaction.ts'
import type { Pool } from '../db/pool.ts'

/** Runs by their ids, those that there are. */
export const runsById = (pool: Pool, site: string, ids: readonly string[]): Promise<RunState[]> =>
  inSite(pool, site, async (db) => {
    const sql = `
      select state from subject_state where site_id = $1 and kind = 'run' and subject_id = any ($2)`
    return (await db.query<{ state: RunState }>(sql, [site, ids])).rows.map((r) => r.state)
  })
