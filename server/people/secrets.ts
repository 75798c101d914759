import { createHash, randomBytes, randomInt } from 'node:crypto'
import { hash, verify, type Options } from '@node-rs/argon2'
import { Refusal } from '@tadka/core/refusal'
import type { PersonRow } from './queries.ts'
import type { Waits } from './waits.ts'

/** argon2id with the parameters that OWASP's password storage cheat sheet names as a minimum. */
const argon: Options = { algorithm: 2, memoryCost: 19_456, timeCost: 2, parallelism: 1 }

export const hashSecret = (secret: string): Promise<string> => hash(secret, argon)

export const newToken = (): string => randomBytes(32).toString('base64url')
export const tokenHash = (token: string): string => createHash('sha256').update(token).digest('hex')

/** Told once to whoever stands at a new tablet: eight digits, which the number pad types with gloves on. */
export const newCode = (): string => String(randomInt(10 ** 8)).padStart(8, '0')

/** Told once on the console: four groups of four letters and digits that are not mistaken for each other. */
export const newPassword = (): string =>
  Array.from({ length: 4 }, () =>
    Array.from({ length: 4 }, () => 'abcdefghkmnpqrstuvwxyz23456789'[randomInt(30)]).join(''),
  ).join('-')

/**
 * Checks a password: wrong ones make their sender wait and never lock the name, nor does a locked PIN. @param found whoever has
 * the login, at one site or several. @param from the sender's address. @param now milliseconds UTC. Throws `wrong_password`,
 * `too_often`.
 */
export async function checkPassword(
  waits: Waits,
  asked: { readonly site: string | null; readonly from: string; readonly now: number },
  found: readonly PersonRow[],
  password: string,
): Promise<PersonRow> {
  const key = `${asked.from} ${asked.site ?? ''}`
  waits.take(key, asked.now)
  for (const person of found) {
    if (person.password_hash === null || !(await verify(person.password_hash, password))) continue
    waits.clear(key)
    return person
  }
  if (found.length === 0) await verify(await unknownHash, password)
  throw new Refusal('wrong_password')
}

/** What an unknown name is verified against, so that it takes as long to refuse as a known one. */
export const unknownHash = hashSecret('no such person')
