import type { CycleDay } from '@tadka/contract/warewash'
import type { Client, Pool } from '../db/pool.ts'
import { inSite } from '../db/transaction.ts'

export interface BootRow {
  readonly device_id: string
  readonly boot: string
  readonly anchor: number
  readonly newest: number
  readonly checkpoint: number
}

/** The boot's row, held until the transaction ends: deliveries of one device pass one at a time. */
export async function holdBoot(
  db: Client,
  site: string,
  device: string,
  boot: string,
  anchor: number,
  at: number,
): Promise<BootRow> {
  const made = `
    insert into device_boot (site_id, device_id, boot, anchor, newest, checkpoint, received_at)
    values ($1, $2, $3, $4, -1, 0, $5) on conflict do nothing`
  await db.query(made, [site, device, boot, anchor, at])
  const held = `
    select device_id, boot, anchor, newest, checkpoint from device_boot
    where site_id = $1 and device_id = $2 and boot = $3 for update`
  const row = (await db.query<BootRow>(held, [site, device, boot])).rows[0]
  if (!row) throw new Error('a boot that was just made is gone')
  return row
}

export async function keepBoot(db: Client, site: string, row: BootRow, at: number): Promise<void> {
  const sql = `
    update device_boot set anchor = $4, newest = $5, checkpoint = $6, received_at = greatest(received_at, $7)
    where site_id = $1 and device_id = $2 and boot = $3`
  await db.query(sql, [site, row.device_id, row.boot, row.anchor, row.newest, row.checkpoint, at])
}

export const latestBoot = (pool: Pool, site: string, device: string): Promise<BootRow | null> =>
  inSite(pool, site, async (db) => {
    const sql = `
      select device_id, boot, anchor, newest, checkpoint from device_boot
      where site_id = $1 and device_id = $2 order by received_at desc limit 1`
    return (await db.query<BootRow>(sql, [site, device])).rows[0] ?? null
  })

export const bootByName = (pool: Pool, site: string, device: string, boot: string): Promise<BootRow | null> =>
  inSite(pool, site, async (db) => {
    const sql = `
      select device_id, boot, anchor, newest, checkpoint from device_boot
      where site_id = $1 and device_id = $2 and boot = $3`
    return (await db.query<BootRow>(sql, [site, device, boot])).rows[0] ?? null
  })

export interface Block {
  readonly minute: number
  readonly data: Buffer
}

/** Blocks of a boot from one minute to another, both included, in order. */
export async function readBlocks(
  db: Client,
  site: string,
  device: string,
  boot: string,
  from: number,
  to: number,
): Promise<Block[]> {
  const sql = `
    select minute, data from sample_minute
    where site_id = $1 and device_id = $2 and boot = $3 and minute between $4 and $5 order by minute`
  return (await db.query<Block>(sql, [site, device, boot, from, to])).rows
}

export async function writeBlocks(
  db: Client,
  site: string,
  device: string,
  boot: string,
  blocks: readonly Block[],
  at: number,
): Promise<void> {
  const sql = `
    insert into sample_minute (site_id, device_id, boot, minute, received_at, data)
    select $1, $2, $3, b.minute, $4, b.data from unnest($5::integer[], $6::bytea[]) as b (minute, data)
    on conflict (site_id, device_id, boot, minute) do update set data = excluded.data, received_at = excluded.received_at`
  await db.query(sql, [site, device, boot, at, blocks.map((b) => b.minute), blocks.map((b) => b.data)])
}

/** Samples older than an instant are let go; the cycles stay. */
export const forgetSamples = (pool: Pool, site: string, before: number): Promise<number> =>
  inSite(pool, site, async (db) => {
    const sql = 'delete from sample_minute where site_id = $1 and received_at < $2'
    return (await db.query(sql, [site, before])).rowCount ?? 0
  })

export interface CycleRow {
  readonly key: string
  readonly boot: string
  readonly device_id: string
  readonly from_second: number
  readonly to_second: number
  readonly ending: string
  readonly digest: string
}

/** Cycles of a boot that reach past a second, those not replaced. */
export async function cyclesAfter(
  db: Client,
  site: string,
  device: string,
  boot: string,
  second: number,
): Promise<CycleRow[]> {
  const sql = `
    select key, boot, device_id, from_second, to_second, ending, digest from cycle
    where site_id = $1 and device_id = $2 and boot = $3 and to_second >= $4 and not replaced order by from_second`
  return (await db.query<CycleRow>(sql, [site, device, boot, second])).rows
}

/** The second at which the last cycle that ended before `second` ended, or null. */
export async function lastEndBefore(
  db: Client,
  site: string,
  device: string,
  boot: string,
  second: number,
): Promise<number | null> {
  const sql = `
    select max(to_second) as last from cycle
    where site_id = $1 and device_id = $2 and boot = $3 and to_second < $4 and not replaced`
  return (await db.query<{ last: number | null }>(sql, [site, device, boot, second])).rows[0]?.last ?? null
}

export async function keepCycle(
  db: Client,
  site: string,
  station: string,
  c: CycleRow & {
    readonly ended_at: number
    readonly verdict: string | null
    readonly rinse_low: number | null
    readonly wash_low: number | null
  },
  replaced: readonly string[],
): Promise<void> {
  const gone = 'update cycle set replaced = true where site_id = $1 and key = any($2)'
  if (replaced.length > 0) await db.query(gone, [site, replaced])
  const sql = `
    insert into cycle (site_id, station_id, device_id, boot, key, from_second, to_second, ended_at, ending, verdict, rinse_low, wash_low, digest)
    values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13)
    on conflict (site_id, key) do update set to_second = excluded.to_second, ended_at = excluded.ended_at,
      ending = excluded.ending, verdict = excluded.verdict, rinse_low = excluded.rinse_low,
      wash_low = excluded.wash_low, digest = excluded.digest, replaced = false`
  const {
    device_id,
    boot,
    key,
    from_second,
    to_second,
    ended_at,
    ending,
    verdict,
    rinse_low,
    wash_low,
    digest,
  } = c
  const values = [
    device_id,
    boot,
    key,
    from_second,
    to_second,
    ended_at,
    ending,
    verdict,
    rinse_low,
    wash_low,
    digest,
  ]
  await db.query(sql, [site, station, ...values])
}

export const cycleByKey = (
  pool: Pool,
  site: string,
  key: string,
): Promise<(CycleRow & { station_id: string }) | null> =>
  inSite(pool, site, async (db) => {
    const sql = `
      select key, boot, device_id, station_id, from_second, to_second, ending, digest from cycle
      where site_id = $1 and key = $2`
    return (await db.query<CycleRow & { station_id: string }>(sql, [site, key])).rows[0] ?? null
  })

/** A station's cycles by day of the site's zone, oldest first. Instants in milliseconds UTC. */
export const cycleDays = (
  pool: Pool,
  site: string,
  station: string,
  from: number,
  to: number,
  timeZone: string,
): Promise<CycleDay[]> =>
  inSite(pool, site, async (db) => {
    const sql = `
      select to_char(to_timestamp(ended_at / 1000.0) at time zone $5, 'YYYY-MM-DD') as day,
        count(*) filter (where ending = 'complete')::integer as racks,
        count(*) filter (where verdict = 'out')::integer as out,
        count(*) filter (where verdict = 'cannot-tell')::integer as "cannotTell",
        percentile_cont(0.5) within group (order by rinse_low) filter (where ending = 'complete') as "rinseMiddle",
        min(rinse_low) filter (where ending = 'complete') as "rinseLow"
      from cycle
      where site_id = $1 and station_id = $2 and ended_at >= $3 and ended_at < $4 and not replaced
      group by day order by day`
    return (await db.query<CycleDay>(sql, [site, station, from, to, timeZone])).rows
  })
