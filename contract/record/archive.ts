import { z } from 'zod'
import { sha256, slug } from '../stream/envelope.ts'

/** The first line of a site's archive: what it is of, and how much of it there is. */
export const archiveHead = z.strictObject({
  format: z.literal('tadka-archive'),
  version: z.literal(1),
  site: slug,
  name: z.string().min(1).max(200),
  records: z.number().int().min(0),
  photos: z.number().int().min(0),
  head: z.strictObject({ seq: z.number().int().min(0), hash: sha256 }),
})
export type ArchiveHead = z.infer<typeof archiveHead>

/** Each line after it: a record as it was written, with its hash; or a photo. */
export const archiveRecord = z.strictObject({
  // What is in it, its hash says; looking into each would take longer than all else.
  record: z.custom<Readonly<Record<string, unknown>>>(
    (r) => typeof r === 'object' && r !== null && Number.isInteger((r as { seq?: unknown }).seq),
  ),
  hash: sha256,
})
export const archivePhoto = z.strictObject({ photo: sha256, receivedAt: z.number(), bytes: z.string() })
export const archiveEnd = z.strictObject({ end: z.literal(true) })
