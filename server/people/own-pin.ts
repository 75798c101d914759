import { may, type Permission } from '@tadka/core/people'
import { Refusal } from '@tadka/core/refusal'
import type { Pool } from '../db/pool.ts'
import { findPerson, type PersonRow } from './queries.ts'
import { checkPin } from './secrets.ts'

/** Whether somebody may do a thing, proved by their own PIN at this moment. Throws `wrong_pin`, `pin_locked`, `not_allowed`. */
export async function checkOwnPin(
  pool: Pool,
  site: string,
  id: string,
  pin: string,
  needs: Permission,
): Promise<PersonRow> {
  const person = await checkPin(pool, await findPerson(pool, site, id), pin)
  if (!may(person.role, needs)) throw new Refusal('not_allowed', { needs })
  return person
}
