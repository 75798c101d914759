import { inSite } from '../db/transaction.ts'
import type { Pool } from '../db/pool.ts'
import { foldSubject, subjectsFiled } from './fold-subject.ts'

const insert = `
  insert into subject_state (site_id, kind, subject_id, state, last_key, touched_at, live)
  values ($1, $2, $3, $4, $5, $6, $7)`

/**
 * Drops a site's read tables and folds them anew from its records, in one transaction that holds the chain's head, so
 * that no record slips in between. Returns how many states were rebuilt.
 */
export const rebuildSite = (pool: Pool, site: string): Promise<number> =>
  inSite(pool, site, async (db) => {
    await db.query('select from site_head where site_id = $1 for update', [site])
    await db.query('delete from subject_state where site_id = $1', [site])
    const subjects = await subjectsFiled(db, site)
    for (const subject of subjects) {
      const { kind, id, state, last, touched, live } = await foldSubject(db, site, subject)
      await db.query(insert, [site, kind, id, JSON.stringify(state), JSON.stringify(last), touched, live])
    }
    return subjects.length
  })
