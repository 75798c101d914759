import { createHash } from 'node:crypto'
import type { PersonSet, SecretSet, TabletSet } from '@tadka/core/people'
import type { RecordType, SubjectRef } from '@tadka/core/stream'
import { v7 } from 'uuid'
import type { Pool } from '../db/pool.ts'
import { appendBatch, refusalIn } from '../stream/append.ts'
import type { SiteQueue } from '../stream/queue.ts'
import { hashSecret } from './secrets.ts'

export interface Change {
  readonly id: string
  readonly type: RecordType
  readonly subject: SubjectRef
  readonly payload: object
}

const ofPerson = (id: string) => ({ kind: 'crew', id }) as const

/** Somebody is entered, changed, or leaves. */
export const personChange = (id: string, payload: PersonSet): Change => ({
  id: v7(),
  type: 'person.set@1',
  subject: ofPerson(id),
  payload,
})

export const tabletChange = (site: string, payload: TabletSet): Change => ({
  id: v7(),
  type: 'tablet.set@1',
  subject: { kind: 'site', id: site },
  payload,
})

/** Hashes a secret and stages it: the record that is returned puts it in force. */
export const secretChange = async (
  pool: Pool,
  site: string,
  person: string,
  { what, secret, toChange }: Omit<SecretSet, 'mark'> & { readonly secret: string },
): Promise<Change> => keptSecretChange(pool, site, person, what, await hashSecret(secret), toChange)

/** The same of one that is hashed already. */
export async function keptSecretChange(
  pool: Pool,
  site: string,
  person: string,
  what: SecretSet['what'],
  hash: string,
  toChange = false,
): Promise<Change> {
  const id = v7()
  await pool.query('select stage_secret($1, $2, $3, $4, $5)', [id, site, person, what, hash])
  const mark = createHash('sha256').update(hash).digest('hex')
  return { id, type: 'person.secret@1', subject: ofPerson(person), payload: { what, toChange, mark } }
}

/** Orders what was changed within one millisecond, as the database took it. */
let counter = 0

/**
 * Puts changes of rights into the site's chain, which is what makes them. @param by who asked for them. @param at milliseconds UTC.
 * Throws the refusal of the first that is not taken.
 */
export async function changeRights(
  { pool, queue }: { readonly pool: Pool; readonly queue: SiteQueue },
  site: string,
  by: string,
  at: number,
  changes: readonly Change[],
): Promise<void> {
  const drafts = changes.map((change) => ({
    ...change,
    site,
    observedAt: at,
    device: 'server',
    counter: (counter += 1),
    by,
  }))
  const outcomes = await queue.run(site, () =>
    appendBatch(pool, {
      site,
      drafts,
      clockOffset: 0,
      receivedAt: at,
      allow: () => null,
      memory: queue.memory,
      rights: true,
      whole: true,
    }),
  )
  const refused = refusalIn(outcomes)
  if (refused) throw refused
}
