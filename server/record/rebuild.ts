import { foldAll, foldOf, upcast, type AnyRecord, type SubjectKind } from '@tadka/core/record'
import { inSite } from '../db/transaction.ts'
import type { Client, Pool } from '../db/pool.ts'
import { keptState } from './folding.ts'

/**
 * Drops a site's read tables and folds them anew from its records, in one transaction that holds the chain's head, so
 * that no record slips in between. Returns how many states were rebuilt.
 */
export const rebuildSite = (pool: Pool, site: string): Promise<number> =>
  inSite(pool, site, async (db) => {
    await db.query('select from site_head where site_id = $1 for update', [site])
    await db.query('delete from subject_state where site_id = $1', [site])
    const subjects = await db.query<{ kind: SubjectKind; subject_id: string }>(
      'select distinct kind, subject_id from record_subject where site_id = $1',
      [site],
    )
    for (const { kind, subject_id } of subjects.rows) await rebuildSubject(db, site, kind, subject_id)
    return subjects.rows.length
  })

async function rebuildSubject(db: Client, site: string, kind: SubjectKind, id: string): Promise<void> {
  const sql = `
    select r.text from record_subject s join record r on r.site_id = s.site_id and r.seq = s.seq
    where s.site_id = $1 and s.kind = $2 and s.subject_id = $3`
  const rows = (await db.query<{ text: string }>(sql, [site, kind, id])).rows
  const records = rows.map((r) => upcast(JSON.parse(r.text) as AnyRecord))
  const { state, last } = foldAll(foldOf(kind), { kind, id }, records)
  const kept = keptState(kind, id, state, last)
  await db.query(
    `insert into subject_state (site_id, kind, subject_id, state, last_key, touched_at, live)
     values ($1, $2, $3, $4, $5, $6, $7)`,
    [site, kind, id, JSON.stringify(kept.state), JSON.stringify(kept.last), kept.touched, kept.live],
  )
}
