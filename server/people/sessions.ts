import type { Role } from '@tadka/core/rights'
import type { Pool } from '../db/pool.ts'

export interface SessionRow {
  id: number
  site_id: string
  device: string
  /** The enrolled tablet that it is on; null on any other browser. */
  tablet_id: string | null
}

const sessionColumns = 'id, site_id, device, tablet_id'

export async function findSession(pool: Pool, tokenHash: string): Promise<SessionRow | null> {
  const sql = `select ${sessionColumns} from session where token_hash = $1 and expires_at > now()`
  return (await pool.query<SessionRow>(sql, [tokenHash])).rows[0] ?? null
}

export async function createSession(
  pool: Pool,
  session: {
    readonly tokenHash: string
    readonly site: string
    readonly device: string
    readonly tablet: string | null
    /** How long it lasts at most. */
    readonly seconds: number
  },
): Promise<SessionRow> {
  const sql = `
    insert into session (token_hash, site_id, device, tablet_id, expires_at)
    values ($1, $2, $3, $4, now() + make_interval(secs => $5))
    returning ${sessionColumns}`
  const { tokenHash, site, device, tablet, seconds } = session
  const row = (await pool.query<SessionRow>(sql, [tokenHash, site, device, tablet, seconds])).rows[0]
  if (!row) throw new Error('a session was not stored')
  return row
}

export interface SignedIn {
  id: string
  name: string
  role: Role
  signed_in_at: number
  signed_out_at: number | null
}

/** Everyone who is or was signed in on this tablet in this session. */
export async function peopleOfSession(pool: Pool, session: number): Promise<SignedIn[]> {
  const sql = `
    select p.id, p.name, p.role, sp.signed_in_at, sp.signed_out_at
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
