import type { Client, Pool } from '../db/pool.ts'
import type { Head } from '../stream/heads.ts'

export interface Backup {
  /** Milliseconds UTC. */
  readonly at: number
  /** Whether a copy was put into a second folder. */
  readonly copied: boolean
}

/** The last time that everything was backed up; null where it never was. */
export async function lastBackup(pool: Pool): Promise<Backup | null> {
  const sql = 'select at, copy is not null as copied from backup order by at desc limit 1'
  return (await pool.query<Backup>(sql)).rows[0] ?? null
}

/** Where a site's chain ended at each of its backups. In a transaction that sees the site. */
export async function backedUpHeads(db: Client, site: string): Promise<Head[]> {
  const sql = 'select seq, hash from backup_head where site_id = $1 order by seq'
  return (await db.query<Head>(sql, [site])).rows
}

interface Made extends Pick<Backup, 'at'> {
  readonly file: string
  readonly copy: string | null
  readonly bytes: number
  readonly heads: readonly (Head & { readonly site: string })[]
}

/** Writes down that a backup was made, as the owner of the database. */
export async function keepBackup(
  owner: Pick<Client, 'query'>,
  { at, file, copy, bytes, heads }: Made,
): Promise<void> {
  await owner.query(
    `with made as (insert into backup (at, file, copy, bytes) values ($1, $2, $3, $4) returning at)
     insert into backup_head (at, site_id, seq, hash)
     select made.at, h.site, h.seq, h.hash from made, jsonb_to_recordset($5) as h (site text, seq bigint, hash text)`,
    [at, file, copy, bytes, JSON.stringify(heads)],
  )
}

/** Where the chains of all sites end now, as the owner of the database: what is dumped or mailed afterwards goes through them. */
export async function headsNow(owner: Pick<Client, 'query'>): Promise<(Head & { readonly site: string })[]> {
  const { rows: sites } = await owner.query<{ id: string }>(
    'select id from site where not is_making order by id',
  )
  const heads: (Head & { site: string })[] = []
  for (const { id: site } of sites) {
    // An owner who is bound by the rows' policy sees one site at a time, as the application does.
    await owner.query("select set_config('tadka.site', $1, false)", [site])
    const sql = 'select seq, hash from site_head where site_id = $1'
    for (const { seq, hash } of (await owner.query<{ seq: string; hash: string }>(sql, [site])).rows)
      heads.push({ site, seq: Number(seq), hash })
  }
  return heads
}
