import type { RunState } from '@tadka/core/procedure'
import { inSite } from '../db/transaction.ts'
import type { Pool } from '../db/pool.ts'

/** Runs of which anything was written between two instants, ms UTC, and those entered later that were done then. */
export const runsBetween = (pool: Pool, site: string, from: number, to: number): Promise<RunState[]> =>
  inSite(pool, site, async (db) => {
    const sql = `
      select state from subject_state where site_id = $1 and kind = 'run' and subject_id in (
        select subject_id from record
        where site_id = $1 and corrected_at >= $2 and corrected_at < $3 and subject_kind = 'run'
        union
        select subject_id from record
        where site_id = $1 and entered_from >= $2 and entered_from < $3)`
    return (await db.query<{ state: RunState }>(sql, [site, from, to])).rows.map((r) => r.state)
  })

/** Since when each station is in the log: the time of its first record, ms UTC. */
export const stationsSince = (pool: Pool, site: string): Promise<ReadonlyMap<string, number>> =>
  inSite(pool, site, async (db) => {
    const sql = `
      select s.subject_id as id, r.corrected_at as at from subject_state s
      cross join lateral (
        select i.seq from record_subject i
        where i.site_id = s.site_id and i.kind = 'station' and i.subject_id = s.subject_id
        order by i.seq limit 1) as first
      join record r on r.site_id = s.site_id and r.seq = first.seq
      where s.site_id = $1 and s.kind = 'station'`
    const { rows } = await db.query<{ id: string; at: string }>(sql, [site])
    return new Map(rows.map((r) => [r.id, Number(r.at)]))
  })

/** When food was read at some stations between two instants, ms UTC: what was taken back was not read. */
export const coldReadsBetween = (
  pool: Pool,
  site: string,
  stations: readonly string[],
  from: number,
  to: number,
): Promise<ReadonlyMap<string, readonly number[]>> =>
  inSite(pool, site, async (db) => {
    const sql = `
      select r.body #>> '{payload,station}' as station, array_agg(r.corrected_at::text) as reads from record r
      where r.site_id = $1 and r.corrected_at >= $3 and r.corrected_at < $4 and r.type = 'reading.taken@1'
        and r.body #>> '{payload,what}' = 'cold-product' and r.body #>> '{payload,station}' = any ($2)
        and not exists (
          select from record a where a.site_id = r.site_id and a.type = 'record.amended@1'
            and a.body #>> '{payload,target}' = r.id::text and a.body #> '{payload,instead}' = 'null')
      group by 1`
    const { rows } = await db.query<{ station: string; reads: string[] }>(sql, [site, stations, from, to])
    return new Map(rows.map((r) => [r.station, r.reads.map(Number)]))
  })

/** Open corrective actions that were opened before an instant, ms UTC. */
export const casesOpenBefore = (
  pool: Pool,
  site: string,
  before: number,
): Promise<{ id: string; station: string | null }[]> =>
  inSite(pool, site, async (db) => {
    const sql = `
      select subject_id as id, state ->> 'station' as station from subject_state
      where site_id = $1 and kind = 'case' and state ->> 'status' = 'open' and (state ->> 'openedAt')::bigint < $2
      order by 1`
    return (await db.query<{ id: string; station: string | null }>(sql, [site, before])).rows
  })

/** Instants of the first record of each hour since `from` : enough to tell which days have records. */
export const hoursWithRecords = (
  pool: Pool,
  site: string,
  from: number,
  types: readonly string[] | null = null,
): Promise<number[]> =>
  inSite(pool, site, async (db) => {
    const sql = `
      select min(corrected_at) as at from record
      where site_id = $1 and corrected_at >= $2 and type not in ('cycle.judged@1', 'concentrate.drawn@1')
        and ($3::text[] is null or type = any ($3))
      group by corrected_at / 3600000 order by 1`
    return (await db.query<{ at: string }>(sql, [site, from, types])).rows.map((r) => Number(r.at))
  })

/** Amendments received after a signature, whose target the signature covered: by the target's id. */
export const amendedSince = (
  pool: Pool,
  site: string,
  from: number,
  to: number,
  signedUpTo: number,
): Promise<string[]> =>
  inSite(pool, site, async (db) => {
    const sql = `
      select distinct target.id::text as id from record amendment
      join record target on target.site_id = amendment.site_id
        and target.id = (amendment.body #>> '{payload,target}')::uuid
      where amendment.site_id = $1 and amendment.type = 'record.amended@1' and amendment.seq > $4
        and target.corrected_at >= $2 and target.corrected_at < $3 and target.seq <= $4`
    return (await db.query<{ id: string }>(sql, [site, from, to, signedUpTo])).rows.map((r) => r.id)
  })
