import type { Pool } from '../db/pool.ts'
import { inSite } from '../db/transaction.ts'

export const packKinds = ['pdf', 'zip', 'json'] as const
export type PackKind = (typeof packKinds)[number]

export interface PackFile {
  readonly kind: PackKind
  readonly name: string
  readonly bytes: Buffer
}

/** Keeps the files of a pack until they end, and lets go of those that have. Instants are milliseconds UTC. */
export const keepPack = (
  pool: Pool,
  site: string,
  id: string,
  files: readonly PackFile[],
  now: number,
  endsAt: number,
): Promise<void> =>
  inSite(pool, site, async (db) => {
    await db.query('delete from pack where site_id = $1 and ends_at < $2', [site, now])
    const sql = 'insert into pack (site_id, id, kind, name, bytes, ends_at) values ($1, $2, $3, $4, $5, $6)'
    for (const f of files) await db.query(sql, [site, id, f.kind, f.name, f.bytes, endsAt])
  })

/** A file of a pack; null where there is none, or it has ended. @param now milliseconds UTC. */
export const packFile = (
  pool: Pool,
  site: string,
  id: string,
  kind: PackKind,
  now: number,
): Promise<PackFile | null> =>
  inSite(pool, site, async (db) => {
    const sql =
      'select kind, name, bytes from pack where site_id = $1 and id = $2 and kind = $3 and ends_at > $4'
    return (await db.query<PackFile>(sql, [site, id, kind, now])).rows[0] ?? null
  })

/** The stretch of the chain in which records of a time lie, whole, so that it can be followed; instants are milliseconds UTC. */
export const stretchOf = (
  pool: Pool,
  site: string,
  from: number,
  to: number,
): Promise<{ seq: number; text: string; hash: string }[]> =>
  inSite(pool, site, async (db) => {
    const sql = `
      with ends as (
        select min(seq) as first, max(seq) as last from record
        where site_id = $1 and corrected_at >= $2 and corrected_at < $3)
      select seq, text, hash from record, ends where site_id = $1 and seq between first and last order by seq`
    return (await db.query<{ seq: number; text: string; hash: string }>(sql, [site, from, to])).rows
  })
