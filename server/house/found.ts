import type { SiteSet } from '@tadka/core/house'
import { Refusal } from '@tadka/core/refusal'
import { v7 } from 'uuid'
import type { Pool } from '../db/pool.ts'
import { changeRights, personChange, secretChange } from '../people/rights.ts'
import { tokenHash } from '../people/secrets.ts'
import { appendBatch, refusalIn } from '../stream/append.ts'
import type { SiteQueue } from '../stream/queue.ts'

export interface Founding {
  readonly id: string
  readonly set: SiteSet
  readonly manager: {
    readonly id: string
    readonly name: string
    readonly login: string
    readonly password: string
    readonly pin: string
  }
  /** What the console told. */
  readonly code: string
  readonly device: string
  /** Milliseconds UTC. */
  readonly at: number
  /** What is done before anybody may come in. */
  readonly meanwhile?: () => Promise<void>
}

/**
 * Founds the only site of an empty database: the site, its manager, and the first records, all of it or nothing; what was cut off is
 * removed by the next. Throws `wrong_code` where the code is not right, has ended, or there is a site already.
 */
export async function foundSite(
  { pool, queue }: { readonly pool: Pool; readonly queue: SiteQueue },
  { id, set, manager, code, device, at, meanwhile }: Founding,
): Promise<void> {
  const sql = 'select found_site($1, $2, $3, $4) as done'
  const found = await pool.query<{ done: boolean }>(sql, [tokenHash(code), at, id, set.name])
  if (!found.rows[0]?.done) throw new Refusal('wrong_code')
  const { name, login, password, pin } = manager
  await changeRights({ pool, queue }, id, manager.id, at, [
    personChange(manager.id, { name, role: 'manager', login, left: false }),
    await secretChange(pool, id, manager.id, { what: 'password', secret: password, toChange: false }),
    await secretChange(pool, id, manager.id, { what: 'pin', secret: pin, toChange: false }),
  ])
  const first = {
    id: v7(),
    site: id,
    type: 'site.set@1',
    subject: { kind: 'site', id },
    observedAt: at,
    device,
    counter: 1,
    by: manager.id,
    payload: set,
  }
  const outcomes = await appendBatch(pool, {
    site: id,
    drafts: [first],
    clockOffset: 0,
    receivedAt: at,
    allow: () => null,
  })
  const refused = refusalIn(outcomes)
  if (refused) throw refused
  await meanwhile?.()
  await pool.query('select finish_site($1)', [id])
}
