import { noRecordBefore, type AnyRecord, type SubjectKind, type SubjectRef } from '@tadka/core/stream'
import { inSite } from '../db/transaction.ts'
import type { Head } from './heads.ts'
import type { Client, Pool } from '../db/pool.ts'

const parsed = (row: { text: string }): AnyRecord => JSON.parse(row.text) as AnyRecord

export const recordById = (pool: Pool, site: string, id: string): Promise<AnyRecord | null> =>
  inSite(pool, site, async (db) => {
    const sql = 'select text from record where site_id = $1 and id = $2'
    const row = (await db.query<{ text: string }>(sql, [site, id])).rows[0]
    return row ? parsed(row) : null
  })

export const recordsOfSubject = (
  pool: Pool,
  site: string,
  kind: SubjectKind,
  id: string,
): Promise<AnyRecord[]> => inSite(pool, site, (db) => recordsFiledUnder(db, site, kind, id))

/** The same in the transaction of who asks. */
export async function recordsFiledUnder(
  db: Pick<Client, 'query'>,
  site: string,
  kind: SubjectKind,
  id: string,
): Promise<AnyRecord[]> {
  const sql = `
    select r.text from record_subject s join record r on r.site_id = s.site_id and r.seq = s.seq
    where s.site_id = $1 and s.kind = $2 and s.subject_id = $3 order by s.seq`
  return (await db.query<{ text: string }>(sql, [site, kind, id])).rows.map(parsed)
}

export interface StateRow {
  kind: SubjectKind
  id: string
  state: unknown
  last: unknown
}

export interface Snapshot extends Head {
  readonly states: readonly StateRow[]
  /** The last of its records that a backup holds; 0 where none was made. */
  readonly backedUpTo: number
}

/** States that a tablet needs: the live ones, and those touched since `since` (ms UTC), with the head they stand at. */
export const snapshot = (pool: Pool, site: string, since: number): Promise<Snapshot> =>
  inSite(pool, site, async (db) => {
    const sql = `
      with head as (select seq, hash from site_head where site_id = $1)
      select coalesce((select seq from head), 0) as seq, coalesce((select hash from head), $3) as hash,
        coalesce((select max(seq) from backup_head where site_id = $1), 0) as "backedUpTo",
        coalesce(jsonb_agg(
          jsonb_build_object('kind', kind, 'id', subject_id, 'state', state, 'last', last_key)
          order by kind, subject_id), '[]') as states
      from subject_state where site_id = $1 and (live or touched_at >= $2)`
    const row = (await db.query<Snapshot>(sql, [site, since, noRecordBefore])).rows[0]
    return row ?? { seq: 0, hash: noRecordBefore, backedUpTo: 0, states: [] }
  })

/** The states of one kind. */
export const statesOfKind = (pool: Pool, site: string, kind: SubjectKind): Promise<unknown[]> =>
  inSite(pool, site, async (db) => {
    const sql = 'select state from subject_state where site_id = $1 and kind = $2'
    return (await db.query<{ state: unknown }>(sql, [site, kind])).rows.map((r) => r.state)
  })

/** The states of these subjects, by kind and id: "trap t1". */
export const statesAbout = (
  pool: Pool,
  site: string,
  of: readonly SubjectRef[],
): Promise<ReadonlyMap<string, unknown>> =>
  inSite(pool, site, async (db) => {
    if (of.length === 0) return new Map()
    const sql = `
      select kind, subject_id as id, state from subject_state
      where site_id = $1 and (kind, subject_id) in (select * from unnest($2::text[], $3::text[]))`
    const found = await db.query<{ kind: string; id: string; state: unknown }>(sql, [
      site,
      of.map((s) => s.kind),
      of.map((s) => s.id),
    ])
    return new Map(found.rows.map((r) => [`${r.kind} ${r.id}`, r.state]))
  })

export const stateOf = (pool: Pool, site: string, kind: string, id: string): Promise<StateRow | null> =>
  inSite(pool, site, async (db) => {
    const sql = `
      select kind, subject_id as id, state, last_key as last from subject_state
      where site_id = $1 and kind = $2 and subject_id = $3`
    return (await db.query<StateRow>(sql, [site, kind, id])).rows[0] ?? null
  })

export interface LinkRow {
  seq: number
  text: string
  hash: string
}

/** A stretch of the chain after `after`, in order. */
export async function linksAfter(db: Client, site: string, after: number, limit: number): Promise<LinkRow[]> {
  const sql = 'select seq, text, hash from record where site_id = $1 and seq > $2 order by seq limit $3'
  return (await db.query<LinkRow>(sql, [site, after, limit])).rows
}

export const linksOf = (pool: Pool, site: string, after: number, limit: number): Promise<LinkRow[]> =>
  inSite(pool, site, (db) => linksAfter(db, site, after, limit))

/** The states of one kind under these ids. */
export const statesOf = (
  pool: Pool,
  site: string,
  kind: SubjectKind,
  ids: readonly string[],
): Promise<unknown[]> =>
  inSite(pool, site, async (db) => {
    const sql = 'select state from subject_state where site_id = $1 and kind = $2 and subject_id = any ($3)'
    return (await db.query<{ state: unknown }>(sql, [site, kind, ids])).rows.map((r) => r.state)
  })
