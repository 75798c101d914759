import { foldAll, type AnyRecord, type SubjectKind } from '@tadka/core/stream'
import { foldOf, upcast } from '@tadka/core/record'
import type pg from 'pg'
import { inSite } from '../db/transaction.ts'
import type { Client, Pool } from '../db/pool.ts'
import { keptState } from './folding.ts'

/** So many rows at once: a busy year is some hundred thousand. */
const [rowsAtOnce, statesAtOnce] = [5000, 500]

interface Row {
  readonly kind: SubjectKind
  readonly id: string
  readonly text: string
}
type Kept = ReturnType<typeof keptState>

/** Folds a site's states from all its records, subject by subject, in one reading; in the transaction of who asks. Returns how many. */
export async function rebuildStates(db: Client | pg.Client, site: string): Promise<number> {
  await db.query('delete from subject_state where site_id = $1', [site])
  await db.query(
    `declare filed no scroll cursor for
     select s.kind, s.subject_id as id, r.text
     from record_subject s join record r on r.site_id = s.site_id and r.seq = s.seq
     where s.site_id = $1 order by s.kind, s.subject_id`,
    [site],
  )
  let [states, group]: [Kept[], Row[]] = [[], []]
  let count = 0
  const fold = () => {
    const [first] = group
    if (!first) return
    const { kind, id } = first
    const records = group.map((r) => upcast(JSON.parse(r.text) as AnyRecord))
    const { state, last } = foldAll(foldOf(kind), { kind, id }, records)
    states.push(keptState(kind, id, state, last))
    count++
    group = []
  }
  const fetch = () => db.query<Row>(`fetch ${rowsAtOnce} from filed`)
  // The database reads on while these are folded.
  let coming = fetch()
  for (;;) {
    const { rows } = await coming
    if (rows.length > 0) {
      coming = fetch()
      // It is waited for in the next turn: until then it is no fault that nobody saw.
      coming.catch(() => {})
    }
    for (const row of rows) {
      const [before] = group
      if (before && (before.kind !== row.kind || before.id !== row.id)) fold()
      group.push(row)
    }
    if (rows.length === 0) fold()
    if (states.length >= statesAtOnce || rows.length === 0) {
      await keepStates(db, site, states)
      states = []
    }
    if (rows.length === 0) break
  }
  await db.query('close filed')
  return count
}

/** Puts states in the read table of a site that has none of them. */
export async function keepStates(
  db: Client | pg.Client,
  site: string,
  states: readonly Kept[],
): Promise<void> {
  const sql = `
    insert into subject_state (site_id, kind, subject_id, state, last_key, touched_at, live)
    select $1, s.kind, s.id, s.state, s.last, s.touched, s.live
    from json_to_recordset($2) as s (kind text, id text, state jsonb, last jsonb, touched bigint, live boolean)`
  for (let i = 0; i < states.length; i += statesAtOnce)
    await db.query(sql, [site, JSON.stringify(states.slice(i, i + statesAtOnce))])
}

/**
 * Drops a site's read tables and folds them anew from its records, in one transaction that holds the chain's head, so
 * that no record slips in between. Returns how many states were rebuilt.
 */
export const rebuildSite = (pool: Pool, site: string): Promise<number> =>
  inSite(pool, site, async (db) => {
    await db.query('select from site_head where site_id = $1 for update', [site])
    return rebuildStates(db, site)
  })
