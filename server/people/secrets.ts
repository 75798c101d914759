import { createHash, randomBytes } from 'node:crypto'
import { hash, verify, type Options } from '@node-rs/argon2'
import { wrongPinsBeforeLock } from '@tadka/core/people'
import { Refusal } from '@tadka/core/refusal'
import type { Pool } from '../db/pool.ts'
import { clearWrongTries, lockPerson, takeTry, type PersonRow } from './queries.ts'
import type { PasswordWaits } from './waits.ts'

/** argon2id with the parameters that OWASP's password storage cheat sheet names as a minimum. */
const argon: Options = { algorithm: 2, memoryCost: 19_456, timeCost: 2, parallelism: 1 }

export const hashSecret = (secret: string): Promise<string> => hash(secret, argon)

export const newToken = (): string => randomBytes(32).toString('base64url')
export const tokenHash = (token: string): string => createHash('sha256').update(token).digest('hex')

/**
 * Checks a PIN. A try is taken before it is verified; the name is locked after the last allowed one.
 * Throws `wrong_pin`, `pin_locked`.
 */
export async function checkPin(pool: Pool, person: PersonRow | null, pin: string): Promise<PersonRow> {
  const stored = person?.pin_hash
  const taken = person && stored ? await takeTry(pool, person.site_id, person.id, wrongPinsBeforeLock) : 0
  // An unknown name takes as long to refuse as a wrong PIN, and a locked one too.
  const right = await verify(taken === null ? await unknownHash : (stored ?? (await unknownHash)), pin)
  if (!person || !stored) throw new Refusal('wrong_pin')
  if (taken === null) throw new Refusal('pin_locked')
  if (right) {
    await clearWrongTries(pool, person.site_id, person.id)
    return person
  }
  const triesLeft = wrongPinsBeforeLock - taken
  if (triesLeft === 0) await lockPerson(pool, person.site_id, person.id)
  throw new Refusal(triesLeft === 0 ? 'pin_locked' : 'wrong_pin', { triesLeft })
}

/**
 * Checks a password: wrong ones make their sender wait and never lock the name, nor does a lock of its PIN. @param from the
 * sender's address. @param now milliseconds UTC. Throws `wrong_password`, `too_often`.
 */
export async function checkPassword(
  waits: PasswordWaits,
  asked: { readonly site: string; readonly from: string; readonly now: number },
  person: PersonRow | null,
  password: string,
): Promise<PersonRow> {
  const key = `${asked.from} ${asked.site}`
  waits.take(key, asked.now)
  const stored = person?.password_hash
  const right = await verify(stored ?? (await unknownHash), password)
  if (!person || !stored || !right) throw new Refusal('wrong_password')
  waits.clear(key)
  return person
}

const unknownHash = hashSecret('no such person')
