import type { Role } from '@tadka/core/people'
import type { Pool } from '../db/pool.ts'

export interface PersonRow {
  site_id: string
  id: string
  name: string
  role: Role
  pin_hash: string | null
  password_hash: string | null
}

const personColumns = 'site_id, id, name, role, pin_hash, password_hash'

export async function findPerson(pool: Pool, site: string, id: string): Promise<PersonRow | null> {
  const sql = `select ${personColumns} from person where site_id = $1 and id = $2`
  return (await pool.query<PersonRow>(sql, [site, id])).rows[0] ?? null
}

/** Sites that one login may be looked up at: whoever signs in by password from elsewhere names none. */
const mostSites = 5

/** Whoever has this login: at a site, or at each where none is named. */
export async function findByLogin(pool: Pool, site: string | null, login: string): Promise<PersonRow[]> {
  const sql = `
    select ${personColumns} from person
    where login = $2 and ($1::text is null or site_id = $1) order by site_id limit ${mostSites}`
  return (await pool.query<PersonRow>(sql, [site, login])).rows
}

export interface SiteRow {
  readonly id: string
  readonly name: string
}

export async function allSites(pool: Pool): Promise<SiteRow[]> {
  return (await pool.query<SiteRow>('select id, name from site order by name')).rows
}

export interface Named {
  readonly id: string
  readonly name: string
  readonly role: Role
}

/** Everyone of a site by name, and nothing else about anyone. */
export async function peopleOf(pool: Pool, site: string): Promise<Named[]> {
  const sql = 'select id, name, role from person where site_id = $1 order by name'
  return (await pool.query<Named>(sql, [site])).rows
}
