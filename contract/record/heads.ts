import { z } from 'zod'
import { slug } from '../stream/envelope.ts'

/** Where a chain ended once: the place of its last record, and that record's hash. */
export const headBody = z.strictObject({
  seq: z.number().int().min(0).max(Number.MAX_SAFE_INTEGER),
  hash: z.string().regex(/^[0-9a-f]{64}$/),
})

/** Where the chains of all sites ended at an instant: kept beside a backup, outside of the database. */
export const headsFile = z.strictObject({
  at: z.iso.datetime(),
  heads: z.array(headBody.extend({ site: slug })),
})
export type HeadsFile = z.infer<typeof headsFile>
