import { noRecordBefore } from '@tadka/core/stream'
import type { Client, Pool } from '../db/pool.ts'
import { inSite } from '../db/transaction.ts'

/** Where a chain ends, or ended: the place of its last record, and the hash that holds all before it. */
export interface Head {
  readonly seq: number
  readonly hash: string
}

/** The end that a site's chain is said to have. */
export async function headIn(db: Client, site: string): Promise<Head> {
  const row = (await db.query<Head>('select seq, hash from site_head where site_id = $1', [site])).rows[0]
  return row ?? { seq: 0, hash: noRecordBefore }
}
export const headOf = (pool: Pool, site: string): Promise<Head> =>
  inSite(pool, site, (db) => headIn(db, site))

/** Those of some heads that a site's chain does not go through: it was cut off, or written anew, before them. */
export async function headsMissed(db: Client, site: string, heads: readonly Head[]): Promise<Head[]> {
  const sql = `
    select h.seq, h.hash from jsonb_to_recordset($2) as h (seq bigint, hash text)
    left join record r on r.site_id = $1 and r.seq = h.seq
    where r.hash is distinct from h.hash and h.seq > 0 order by h.seq`
  return (await db.query<Head>(sql, [site, JSON.stringify(heads)])).rows
}
