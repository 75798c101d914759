import { wrongPinsBeforeLock } from '@tadka/core/people'
import type { Pool } from '../db/pool.ts'

export interface TabletRow {
  readonly site_id: string
  readonly id: string
  readonly name: string
}

/** Which tablet of which site. */
export type OnTablet = Pick<TabletRow, 'site_id' | 'id'>

/** An enrolled tablet by what it holds; null where it was revoked or never was one. */
export async function findTablet(pool: Pool, tokenHash: string): Promise<TabletRow | null> {
  const sql = 'select site_id, id, name from tablet where token_hash = $1 and revoked_at is null'
  return (await pool.query<TabletRow>(sql, [tokenHash])).rows[0] ?? null
}

export interface NewTablet {
  readonly site: string
  readonly id: string
  readonly name: string
  readonly tokenHash: string
  /** Who enrolled it; null for a code of the console. */
  readonly by: string | null
  /** Milliseconds UTC. */
  readonly at: number
}

/** Enrols a tablet; one that was before gets its new name and token, and its locked PINs stay locked. */
export async function enrolTablet(pool: Pool, tablet: NewTablet): Promise<void> {
  const sql = `
    insert into tablet (site_id, id, name, token_hash, enrolled_at, enrolled_by) values ($1, $2, $3, $4, $5, $6)
    on conflict (site_id, id) do update
    set name = excluded.name, token_hash = excluded.token_hash, enrolled_at = excluded.enrolled_at,
      enrolled_by = excluded.enrolled_by, revoked_at = null`
  const { site, id, name, tokenHash, at, by } = tablet
  await pool.query(sql, [site, id, name, tokenHash, at, by])
}

/** A session that was begun on a browser before it became a tablet. */
export async function putOnTablet(pool: Pool, session: number, tablet: string): Promise<void> {
  await pool.query('update session set tablet_id = $2 where id = $1', [session, tablet])
}

export async function renameTablet(pool: Pool, site: string, id: string, name: string): Promise<boolean> {
  const sql = 'update tablet set name = $3 where site_id = $1 and id = $2 and revoked_at is null'
  return (await pool.query(sql, [site, id, name])).rowCount === 1
}

/** Ends a tablet and every session on it; returns its name, null where there was none to end. */
export async function revokeTablet(pool: Pool, site: string, id: string, at: number): Promise<string | null> {
  const sql = `
    with ended as (
      update tablet set revoked_at = $3 where site_id = $1 and id = $2 and revoked_at is null returning id, name)
    , sessions as (
      update session set expires_at = now() where site_id = $1 and tablet_id in (select id from ended))
    select name from ended`
  return (await pool.query<{ name: string }>(sql, [site, id, at])).rows[0]?.name ?? null
}

export interface TabletView {
  readonly id: string
  readonly name: string
  readonly enrolledAt: number
  readonly enrolledBy: string | null
  readonly revokedAt: number | null
  /** When somebody last signed in on it; milliseconds UTC. */
  readonly usedAt: number | null
}

export async function tabletsOf(pool: Pool, site: string): Promise<TabletView[]> {
  const sql = `
    select t.id, t.name, t.enrolled_at as "enrolledAt", t.enrolled_by as "enrolledBy", t.revoked_at as "revokedAt",
      (select max(p.signed_in_at) from session s join session_person p on p.session_id = s.id
        where s.site_id = t.site_id and s.tablet_id = t.id) as "usedAt"
    from tablet t where t.site_id = $1 order by t.revoked_at is not null, t.name, t.id`
  return (await pool.query<TabletView>(sql, [site])).rows
}

export async function keepCode(
  pool: Pool,
  code: { readonly site: string; readonly hash: string; readonly by: string | null; readonly endsAt: number },
): Promise<void> {
  const sql = 'insert into enrolment_code (site_id, code_hash, made_by, ends_at) values ($1, $2, $3, $4)'
  await pool.query(sql, [code.site, code.hash, code.by, code.endsAt])
}

/** Uses a code up: null where there is none, it has ended, or another was quicker. */
export async function useCode(
  pool: Pool,
  hash: string,
  now: number,
): Promise<{ site: string; by: string | null } | null> {
  const sql = `
    update enrolment_code set used_at = $2 where code_hash = $1 and used_at is null and ends_at > $2
    returning site_id as site, made_by as by`
  return (await pool.query<{ site: string; by: string | null }>(sql, [hash, now])).rows[0] ?? null
}

/**
 * Takes one of the tries that a name has on a tablet, before its PIN is verified; null where it is locked there. Many at once are no
 * more than one after another.
 */
export async function takeTry(pool: Pool, tablet: OnTablet, person: string): Promise<number | null> {
  const sql = `
    insert into pin_try (site_id, tablet_id, person_id, wrong) values ($1, $2, $3, 1)
    on conflict (site_id, tablet_id, person_id) do update set wrong = pin_try.wrong + 1
    where pin_try.wrong < $4
    returning wrong as taken`
  const values = [tablet.site_id, tablet.id, person, wrongPinsBeforeLock]
  return (await pool.query<{ taken: number }>(sql, values)).rows[0]?.taken ?? null
}

/** The right PIN was given, or somebody above unlocked it: on one tablet, or on each. */
export async function clearTries(pool: Pool, site: string, person: string, tablet?: string): Promise<void> {
  const sql =
    'delete from pin_try where site_id = $1 and person_id = $2 and ($3::text is null or tablet_id = $3)'
  await pool.query(sql, [site, person, tablet ?? null])
}

/** Whose PIN is locked on which tablet. */
export async function lockedPins(
  pool: Pool,
  site: string,
): Promise<{ person: string; tablet: string; name: string }[]> {
  const sql = `
    select t.person_id as person, t.tablet_id as tablet, b.name
    from pin_try t join tablet b on b.site_id = t.site_id and b.id = t.tablet_id
    where t.site_id = $1 and t.wrong >= $2 order by b.name`
  return (
    await pool.query<{ person: string; tablet: string; name: string }>(sql, [site, wrongPinsBeforeLock])
  ).rows
}
