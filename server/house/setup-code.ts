import { asOwner } from '../db/owner.ts'
import { newCode, tokenHash } from '../people/secrets.ts'

/** How long a set-up code may be used, milliseconds. */
export const setupCodeLastsMs = 3_600_000

/**
 * A new code that founds the only site, or null where there is one: those told before end by it. @param now milliseconds UTC.
 */
export const makeSetupCode = (ownerUrl: string, now: number): Promise<string | null> =>
  asOwner(ownerUrl, async (owner) => {
    const { rowCount } = await owner.query('select from site where not is_making')
    if (rowCount) return null
    const code = newCode()
    await owner.query('delete from setup_code')
    await owner.query('insert into setup_code (code_hash, ends_at) values ($1, $2)', [
      tokenHash(code),
      now + setupCodeLastsMs,
    ])
    return code
  })
