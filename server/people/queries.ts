import type { Role } from '@tadka/core/people'
import type { Pool } from '../db/pool.ts'

export interface PersonRow {
  site_id: string
  id: string
  name: string
  role: Role
  pin_hash: string | null
  password_hash: string | null
  wrong_tries: number
  locked: boolean
}

const personColumns =
  'site_id, id, name, role, pin_hash, password_hash, wrong_tries, locked_at is not null as locked'

export async function findPerson(pool: Pool, site: string, id: string): Promise<PersonRow | null> {
  const sql = `select ${personColumns} from person where site_id = $1 and id = $2`
  return (await pool.query<PersonRow>(sql, [site, id])).rows[0] ?? null
}

export async function findByLogin(pool: Pool, site: string, login: string): Promise<PersonRow | null> {
  const sql = `select ${personColumns} from person where site_id = $1 and login = $2`
  return (await pool.query<PersonRow>(sql, [site, login])).rows[0] ?? null
}

/**
 * Takes one of the tries that a name has, before its secret is verified; null where there is none left. Many at once are no more
 * than one after another.
 */
export async function takeTry(pool: Pool, site: string, id: string, allowed: number): Promise<number | null> {
  const sql = `
    update person set wrong_tries = wrong_tries + 1
    where site_id = $1 and id = $2 and locked_at is null and wrong_tries < $3
    returning wrong_tries as taken`
  return (await pool.query<{ taken: number }>(sql, [site, id, allowed])).rows[0]?.taken ?? null
}

export async function lockPerson(pool: Pool, site: string, id: string): Promise<void> {
  const sql = 'update person set locked_at = coalesce(locked_at, now()) where site_id = $1 and id = $2'
  await pool.query(sql, [site, id])
}

export async function clearWrongTries(pool: Pool, site: string, id: string): Promise<void> {
  await pool.query('update person set wrong_tries = 0, locked_at = null where site_id = $1 and id = $2', [
    site,
    id,
  ])
}

export interface SiteWithPeople {
  id: string
  name: string
  people: { id: string; name: string; role: Role; locked: boolean }[]
}

/** Names to pick from at sign-in, and nothing else about anyone. */
export async function sitesWithPeople(pool: Pool): Promise<SiteWithPeople[]> {
  const sql = `
    select s.id, s.name, coalesce(
      jsonb_agg(jsonb_build_object('id', p.id, 'name', p.name, 'role', p.role, 'locked', p.locked_at is not null)
        order by p.name) filter (where p.id is not null), '[]') as people
    from site s left join person p on p.site_id = s.id
    group by s.id order by s.name`
  return (await pool.query<SiteWithPeople>(sql)).rows
}

export interface SessionRow {
  id: number
  site_id: string
  device: string
}

export async function findSession(pool: Pool, tokenHash: string): Promise<SessionRow | null> {
  const sql = 'select id, site_id, device from session where token_hash = $1 and expires_at > now()'
  return (await pool.query<SessionRow>(sql, [tokenHash])).rows[0] ?? null
}

export async function createSession(
  pool: Pool,
  tokenHash: string,
  site: string,
  device: string,
): Promise<SessionRow> {
  const sql = `
    insert into session (token_hash, site_id, device, expires_at)
    values ($1, $2, $3, now() + interval '16 hours')
    returning id, site_id, device`
  const row = (await pool.query<SessionRow>(sql, [tokenHash, site, device])).rows[0]
  if (!row) throw new Error('a session was not stored')
  return row
}

export interface SignedIn {
  id: string
  name: string
  role: Role
  locked: boolean
  signed_in_at: number
  signed_out_at: number | null
}

/** Everyone who is or was signed in on this tablet in this session. */
export async function peopleOfSession(pool: Pool, session: number): Promise<SignedIn[]> {
  const sql = `
    select p.id, p.name, p.role, p.locked_at is not null as locked, sp.signed_in_at, sp.signed_out_at
    from session_person sp join person p on p.site_id = sp.site_id and p.id = sp.person_id
    where sp.session_id = $1 order by sp.signed_in_at`
  return (await pool.query<SignedIn>(sql, [session])).rows
}

export async function addToSession(
  pool: Pool,
  session: SessionRow,
  person: string,
  at: number,
): Promise<void> {
  const sql = `
    insert into session_person (session_id, site_id, person_id, signed_in_at)
    select $1, $2, $3, $4
    where not exists (
      select from session_person where session_id = $1 and person_id = $3 and signed_out_at is null)`
  await pool.query(sql, [session.id, session.site_id, person, at])
}

/** Of some sessions, those that hold still: not over, and somebody is signed in. */
export async function openSessions(pool: Pool, ids: readonly number[]): Promise<number[]> {
  const sql = `
    select s.id from session s
    where s.id = any($1) and s.expires_at > now()
      and exists (select from session_person p where p.session_id = s.id and p.signed_out_at is null)`
  return (await pool.query<{ id: number }>(sql, [ids])).rows.map((r) => r.id)
}

export async function removeFromSession(
  pool: Pool,
  session: number,
  person: string,
  at: number,
): Promise<void> {
  const sql = `
    update session_person set signed_out_at = $3
    where session_id = $1 and person_id = $2 and signed_out_at is null`
  await pool.query(sql, [session, person, at])
}
