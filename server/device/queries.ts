import type { DeviceKind, DeviceView, ReportedReading } from '@tadka/contract/device'
import type { Client, Pool } from '../db/pool.ts'
import { inSite } from '../db/transaction.ts'

export interface DeviceRow {
  readonly id: string
  readonly name: string
  readonly kind: DeviceKind | 'file'
  readonly station_id: string | null
  readonly of_id: string | null
  readonly token_hash: string
  readonly ended_at: number | null
}

export const findDevice = (pool: Pool, site: string, id: string): Promise<DeviceRow | null> =>
  inSite(pool, site, async (db) => {
    const sql = `
      select id, name, kind, station_id, of_id, token_hash, ended_at from device
      where site_id = $1 and id = $2`
    return (await db.query<DeviceRow>(sql, [site, id])).rows[0] ?? null
  })

export interface NewDevice {
  readonly id: string
  readonly name: string
  readonly kind: DeviceKind
  readonly station: string | null
  readonly of: string | null
}

export const addDevice = (
  pool: Pool,
  site: string,
  device: NewDevice,
  tokenHash: string,
  at: number,
): Promise<void> =>
  inSite(pool, site, async (db) => {
    const sql = `
      insert into device (site_id, id, name, kind, station_id, of_id, token_hash, made_at)
      values ($1, $2, $3, $4, $5, $6, $7, $8)`
    const { id, name, kind, station, of } = device
    await db.query(sql, [site, id, name, kind, station, of, tokenHash, at])
  })

export const endDevice = (pool: Pool, site: string, id: string, at: number): Promise<boolean> =>
  inSite(pool, site, async (db) => {
    const sql = 'update device set ended_at = $3 where site_id = $1 and id = $2 and ended_at is null'
    return (await db.query(sql, [site, id, at])).rowCount === 1
  })

/** The devices entered, with when each was last heard. */
export const devicesOf = (pool: Pool, site: string): Promise<DeviceView[]> =>
  inSite(pool, site, async (db) => {
    const sql = `
      select d.id, d.name, d.kind, d.station_id as station, d.of_id as of, d.ended_at as "endedAt",
        greatest(d.heard_at, max(b.received_at)) as "heardAt"
      from device d left join device_boot b on b.site_id = d.site_id and b.device_id = d.id
      where d.site_id = $1 and d.kind <> 'file'
      group by d.id, d.name, d.kind, d.station_id, d.of_id, d.ended_at, d.heard_at, d.made_at order by d.made_at`
    return (await db.query<DeviceView>(sql, [site])).rows
  })

export async function heard(db: Client, site: string, id: string, at: number): Promise<void> {
  await db.query('update device set heard_at = $3 where site_id = $1 and id = $2', [site, id, at])
}

/** Keeps a thermometer's reading where it is newer than the one kept. */
export async function keepReading(
  db: Client,
  site: string,
  device: string,
  reading: { readonly at: number; readonly value: number; readonly unit: string },
): Promise<void> {
  const sql = `
    insert into device_reading (site_id, device_id, at, value, unit) values ($1, $2, $3, $4, $5)
    on conflict (site_id, device_id) do update
      set at = excluded.at, value = excluded.value, unit = excluded.unit
      where device_reading.at < excluded.at`
  await db.query(sql, [site, device, reading.at, reading.value, reading.unit])
}

/** What thermometers read since an instant, the newest first. Instants in milliseconds UTC. */
export const readingsSince = (pool: Pool, site: string, since: number): Promise<ReportedReading[]> =>
  inSite(pool, site, async (db) => {
    const sql = `
      select d.id as device, d.name, d.of_id as instrument, r.at, r.value, r.unit
      from device_reading r join device d on d.site_id = r.site_id and d.id = r.device_id
      where r.site_id = $1 and r.at >= $2 and d.ended_at is null order by r.at desc`
    return (await db.query<ReportedReading>(sql, [site, since])).rows
  })
