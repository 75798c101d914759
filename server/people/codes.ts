import type { Pool } from '../db/pool.ts'
import { newCode, tokenHash } from './secrets.ts'
import { keepCode } from './tablets.ts'

const minute = 60_000
/** How long a code may be used: one of House, and one of the console, where nobody stands at the tablet yet. */
export const codeLastsMs = { house: 15 * minute, console: 60 * minute } as const

/** A code that makes one browser a tablet of a site, once. @param by who asked for it; null on the console. @param now ms UTC. */
export async function makeCode(
  pool: Pool,
  site: string,
  by: string | null,
  now: number,
): Promise<{ code: string; endsAt: number }> {
  const code = newCode()
  const endsAt = now + codeLastsMs[by === null ? 'console' : 'house']
  await keepCode(pool, { site, hash: tokenHash(code), by, endsAt })
  return { code: `${code.slice(0, 4)} ${code.slice(4)}`, endsAt }
}
