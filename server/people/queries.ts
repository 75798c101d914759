import type { PersonNow } from '@tadka/core/people'
import type { Role } from '@tadka/core/rights'
import type { Pool } from '../db/pool.ts'
import { inSite } from '../db/transaction.ts'

export interface PersonRow {
  site_id: string
  id: string
  name: string
  role: Role
  pin_hash: string | null
  password_hash: string | null
  /** Somebody else chose their PIN. */
  pin_to_change: boolean
}

const personColumns = 'site_id, id, name, role, pin_hash, password_hash, pin_to_change'

/** One of those who work at a site; null too for whoever has left. */
export async function findPerson(pool: Pool, site: string, id: string): Promise<PersonRow | null> {
  const sql = `select ${personColumns} from person where site_id = $1 and id = $2 and left_at is null`
  return (await pool.query<PersonRow>(sql, [site, id])).rows[0] ?? null
}

/** Sites that one login may be looked up at: whoever signs in by password from elsewhere names none. */
const mostSites = 5

/** Whoever has this login: at a site, or at each where none is named. */
export async function findByLogin(pool: Pool, site: string | null, login: string): Promise<PersonRow[]> {
  const sql = `
    select ${personColumns} from person
    where lower(login) = lower($2) and left_at is null and ($1::text is null or site_id = $1) order by site_id limit ${mostSites}`
  return (await pool.query<PersonRow>(sql, [site, login])).rows
}

export interface SiteRow {
  readonly id: string
  readonly name: string
}

/** Every site that is whole. */
export async function allSites(pool: Pool): Promise<SiteRow[]> {
  return (await pool.query<SiteRow>('select id, name from site where not is_making order by name')).rows
}

export interface Named {
  readonly id: string
  readonly name: string
  readonly role: Role
}

/** Everyone who works at a site, by name, without who looks at it by a link, and nothing else about anyone. */
export async function peopleOf(pool: Pool, site: string): Promise<Named[]> {
  const sql = `
    select id, name, role from person where site_id = $1 and left_at is null and role <> 'inspector' order by name`
  return (await pool.query<Named>(sql, [site])).rows
}

/** Everyone who works or worked at a site, as a change of them is weighed. */
export async function everyoneOf(pool: Pool, site: string): Promise<PersonNow[]> {
  const sql =
    'select id, name, role, login, left_at is not null as left from person where site_id = $1 order by name'
  return (await pool.query<PersonNow>(sql, [site])).rows
}

/** Whoever no record tells of: entered before there were records of people. */
export function peopleWithoutRecord(
  pool: Pool,
  site: string,
): Promise<(PersonRow & { readonly login: string | null })[]> {
  return inSite(pool, site, async (db) => {
    const sql = `
      select p.* from person p where p.site_id = $1 and not exists (
        select from subject_state s
        where s.site_id = p.site_id and s.kind = 'crew' and s.subject_id = p.id and s.state ? 'role')
      order by p.id`
    return (await db.query<PersonRow & { readonly login: string | null }>(sql, [site])).rows
  })
}
