import { v7 } from 'uuid'
import { changeRights, secretChange } from '../people/rights.ts'
import type { Services } from '../services/services.ts'
import type { Change } from './site-file.ts'

/** Puts what a file changes into the site's chain, with the PINs of who is new: all of it or nothing. Throws why not. */
export async function putIn(
  { pool, queue, now }: Pick<Services, 'pool' | 'queue' | 'now'>,
  site: string,
  by: string,
  changes: readonly Change[],
  newcomers: readonly { readonly id: string; readonly pin: string }[],
): Promise<void> {
  const secrets = await Promise.all(
    newcomers.map(({ id, pin }) =>
      secretChange(pool, site, id, { what: 'pin', secret: pin, toChange: true }),
    ),
  )
  if (changes.length + secrets.length === 0) return
  const made = changes.map((change) => ({ id: v7(), ...change }))
  await changeRights({ pool, queue }, site, by, now(), [...made, ...secrets])
}
