import { z } from 'zod'
import { slug } from '../stream/envelope.ts'

const hash = z.string().regex(/^[0-9a-f]{64}$/)

/** The first line of a site's archive: what it is of, and how much of it there is. */
export const archiveHead = z.strictObject({
  format: z.literal('tadka-archive'),
  version: z.literal(1),
  site: slug,
  name: z.string().min(1).max(200),
  records: z.number().int().min(0),
  photos: z.number().int().min(0),
  head: z.strictObject({ seq: z.number().int().min(0), hash }),
})
export type ArchiveHead = z.infer<typeof archiveHead>

/** Each line after it: a record as it was written, with its hash; or a photo. */
export const archiveRecord = z.strictObject({
  record: z.looseObject({ seq: z.number().int().min(1), type: z.string() }),
  hash,
})
export const archivePhoto = z.strictObject({ photo: hash, receivedAt: z.number(), bytes: z.base64() })
export const archiveEnd = z.strictObject({ end: z.literal(true) })
