import { createHash, randomBytes } from 'node:crypto'
import { hash, verify, type Options } from '@node-rs/argon2'
import { wrongPinsBeforeLock } from '@tadka/core/people'
import { Refusal } from '@tadka/core/refusal'
import type { Pool } from '../db/pool.ts'
import { clearWrongTries, countWrongTry, type PersonRow } from './queries.ts'

/** argon2id with the parameters that OWASP's password storage cheat sheet names as a minimum. */
const argon: Options = { algorithm: 2, memoryCost: 19_456, timeCost: 2, parallelism: 1 }

export const hashSecret = (secret: string): Promise<string> => hash(secret, argon)

export const newToken = (): string => randomBytes(32).toString('base64url')
export const tokenHash = (token: string): string => createHash('sha256').update(token).digest('hex')

/**
 * Checks a PIN or password. Wrong ones are counted, and the name is locked after the last allowed one.
 * Throws `wrong_pin` or `wrong_password`, `pin_locked`.
 */
export async function checkSecret(
  pool: Pool,
  person: PersonRow | null,
  secret: string,
  kind: 'pin' | 'password',
): Promise<PersonRow> {
  const wrong = kind === 'pin' ? 'wrong_pin' : 'wrong_password'
  const stored = kind === 'pin' ? person?.pin_hash : person?.password_hash
  // An unknown name takes as long to refuse as a wrong secret.
  const right = await verify(stored ?? (await unknownHash), secret)
  if (!person || !stored) throw new Refusal(wrong)
  if (person.locked) throw new Refusal('pin_locked')
  if (right) {
    if (person.wrong_tries > 0) await clearWrongTries(pool, person.site_id, person.id)
    return person
  }
  const locked = await countWrongTry(pool, person.site_id, person.id, wrongPinsBeforeLock)
  throw new Refusal(locked ? 'pin_locked' : wrong, {
    triesLeft: Math.max(0, wrongPinsBeforeLock - person.wrong_tries - 1),
  })
}

const unknownHash = hashSecret('no such person')
