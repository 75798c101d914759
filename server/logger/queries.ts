import type { LoggerFile } from '@tadka/contract/logger'
import type { LoggerImported } from '@tadka/core/logger'
import type { Client, Pool } from '../db/pool.ts'
import { inSite } from '../db/transaction.ts'
import type { Part } from './rows.ts'

/** What a file told when it was brought in; null where it was not. */
export const fileOf = (pool: Pool, site: string, id: string): Promise<LoggerImported | null> =>
  inSite(pool, site, async (db) => {
    const sql = 'select imported from logger_file where site_id = $1 and id = $2'
    return (await db.query<{ imported: LoggerImported }>(sql, [site, id])).rows[0]?.imported ?? null
  })

const mostListed = 100

/** The files brought in, the newest first. */
export const filesOf = (pool: Pool, site: string): Promise<LoggerFile[]> =>
  inSite(pool, site, async (db) => {
    const sql = `
      select id, imported, received_at as at from logger_file
      where site_id = $1 order by received_at desc, id limit $2`
    return (await db.query<LoggerFile>(sql, [site, mostListed])).rows
  })

export async function addFile(
  db: Client,
  site: string,
  id: string,
  imported: LoggerImported,
  at: number,
): Promise<void> {
  const sql = `
    insert into logger_file (site_id, id, station_id, imported, received_at) values ($1, $2, $3, $4, $5)`
  await db.query(sql, [site, id, imported.station, imported, at])
}

export async function addParts(db: Client, site: string, id: string, parts: readonly Part[]): Promise<void> {
  const sql = `
    insert into logger_part (site_id, file_id, part, from_ms, to_ms, data) values ($1, $2, $3, $4, $5, $6)`
  for (const [n, p] of parts.entries()) await db.query(sql, [site, id, n, p.from, p.to, p.data])
}

export const partsBetween = (
  pool: Pool,
  site: string,
  id: string,
  from: number,
  to: number,
): Promise<{ data: Buffer }[]> =>
  inSite(pool, site, async (db) => {
    const sql = `
      select data from logger_part
      where site_id = $1 and file_id = $2 and to_ms >= $3 and from_ms <= $4 order by part`
    return (await db.query<{ data: Buffer }>(sql, [site, id, from, to])).rows
  })

/** The file and its rows are let go. */
export const dropFile = (pool: Pool, site: string, id: string): Promise<boolean> =>
  inSite(pool, site, async (db) => {
    const sql = 'delete from logger_file where site_id = $1 and id = $2'
    return (await db.query(sql, [site, id])).rowCount === 1
  })

/** The device that stands for a file; it may stream nothing. */
export async function addFileDevice(
  db: Client,
  site: string,
  device: { readonly id: string; readonly name: string; readonly station: string; readonly token: string },
  at: number,
): Promise<void> {
  const sql = `
    insert into device (site_id, id, name, kind, station_id, token_hash, made_at, ended_at)
    values ($1, $2, $3, 'file', $4, $5, $6, $6) on conflict do nothing`
  await db.query(sql, [site, device.id, device.name, device.station, device.token, at])
}

export interface KnownSpan {
  readonly device_id: string
  /** Milliseconds UTC. */
  readonly from: number
  readonly to: number
}

/** The cycles of a station that touch a span, as instants. */
export async function cyclesTouching(
  db: Client,
  site: string,
  station: string,
  from: number,
  to: number,
): Promise<KnownSpan[]> {
  const sql = `
    select device_id, ended_at - (to_second - from_second) * 1000::bigint as "from", ended_at as "to" from cycle
    where site_id = $1 and station_id = $2 and not replaced
      and ended_at >= $3 and ended_at - (to_second - from_second) * 1000::bigint <= $4
    order by ended_at`
  return (await db.query<KnownSpan>(sql, [site, station, from, to])).rows
}
