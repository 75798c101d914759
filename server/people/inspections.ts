import type { InspectionView, OwnInspection } from '@tadka/contract/people'
import { Refusal } from '@tadka/core/refusal'
import type { Pool } from '../db/pool.ts'
import { inSite } from '../db/transaction.ts'

export interface NewInspection {
  readonly site: string
  readonly person: string
  readonly tokenHash: string
  readonly by: string
  /** The one machine that it shows; null: all. */
  readonly station: string | null
  /** Milliseconds UTC. */
  readonly from: number
  readonly endsAt: number
}

export async function keepInspection(pool: Pool, i: NewInspection): Promise<void> {
  const sql = `
    insert into inspection (site_id, person_id, token_hash, made_by, from_at, ends_at, station_id)
    select site, person, "tokenHash", by, "from", "endsAt", station from jsonb_to_record($1)
      as i (site text, person text, "tokenHash" text, by text, "from" bigint, "endsAt" bigint, station text)`
  await pool.query(sql, [JSON.stringify(i)])
}

/** Links that have ended are listed so long with what they were used for. */
const listedMs = 400 * 86_400_000

/** The links of a site and what was looked at by each, those that end last first. @param now milliseconds UTC. */
export const inspectionsOf = (pool: Pool, site: string, now: number): Promise<InspectionView[]> =>
  inSite(pool, site, async (db) => {
    const sql = `
      select i.person_id as id, p.name, i.made_by as by, i.from_at as "from", i.ends_at as "endsAt", i.station_id as station,
        i.used_at as "usedAt",
        array(select l.what from inspection_look l
          where l.site_id = i.site_id and l.person_id = i.person_id order by l.what) as looked
      from inspection i join person p on p.site_id = i.site_id and p.id = i.person_id
      where i.site_id = $1 and i.ends_at > $2 order by i.ends_at desc limit 40`
    return (await db.query<InspectionView>(sql, [site, now - listedMs])).rows
  })

/** Somebody looked at a day's sheet, or at the entries, by their link. @param what ISO date, or `entries`. */
export const keepLook = (pool: Pool, site: string, person: string, what: string, at: number): Promise<void> =>
  inSite(pool, site, async (db) => {
    const sql = `
      insert into inspection_look (site_id, person_id, what, first_at) values ($1, $2, $3, $4) on conflict do nothing`
    await db.query(sql, [site, person, what, at])
  })

export interface Inspection {
  readonly site_id: string
  readonly id: string
  readonly ends_at: number
}

/** Opens a link that has not ended; null where it has, or there is none. @param now milliseconds UTC. */
export async function openInspection(pool: Pool, tokenHash: string, now: number): Promise<Inspection | null> {
  const sql = `
    update inspection set used_at = $2 where token_hash = $1 and ends_at > $2
    returning site_id, person_id as id, ends_at`
  return (await pool.query<Inspection>(sql, [tokenHash, now])).rows[0] ?? null
}

/** What somebody may see by their link. Throws `link_ended`. */
export async function linkOf(pool: Pool, site: string, person: string, now: number): Promise<OwnInspection> {
  const sql = `
    select from_at as "from", ends_at as "endsAt", station_id as station
    from inspection where site_id = $1 and person_id = $2 and ends_at > $3`
  const [own] = (await pool.query<OwnInspection>(sql, [site, person, now])).rows
  if (!own) throw new Refusal('link_ended')
  return own
}

/** Ends a link, and every session that it opened; false where there was none to end. */
export async function endInspection(pool: Pool, site: string, person: string, now: number): Promise<boolean> {
  const sql = `
    with ended as (
      update inspection set ends_at = $3 where site_id = $1 and person_id = $2 and ends_at > $3 returning person_id)
    , sessions as (
      update session set expires_at = now() where id in (
        select p.session_id from session_person p where p.site_id = $1 and p.person_id in (select person_id from ended)))
    select from ended`
  return (await pool.query(sql, [site, person, now])).rowCount === 1
}
