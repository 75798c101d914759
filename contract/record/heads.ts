import { z } from 'zod'
import { sha256, slug } from '../stream/envelope.ts'

/** Where a chain ended once: the place of its last record, and that record's hash. */
export const headBody = z.strictObject({
  seq: z.number().int().min(0).max(Number.MAX_SAFE_INTEGER),
  hash: sha256,
})

/** Where the chains of all sites ended at an instant: kept beside a backup, outside of the database. */
export const headsFile = z.strictObject({
  at: z.iso.datetime(),
  heads: z.array(headBody.extend({ site: slug })),
})
export type HeadsFile = z.infer<typeof headsFile>

/** A log or a pack that was saved: its records as they were written, each with its hash. */
export const exportFile = z.object({
  format: z.enum(['tadka-log', 'tadka-pack']),
  version: z.literal(1),
  site: slug,
  records: z.array(z.record(z.string(), z.unknown())),
  head: headBody.optional(),
})

/** A head as one line, as it is printed and as the code of a pack says it. */
const headLine = /^tadka-head 1 (\S+) (\d+) ([0-9a-f]{64})$/

export const lineOfHead = ({ site, seq, hash }: HeadsFile['heads'][number]): string =>
  `tadka-head 1 ${site} ${seq} ${hash}`

/** Heads that were kept as lines; null where any line is none. */
export function headsOfLines(text: string): HeadsFile['heads'] | null {
  const lines = text.split(/\r?\n/).filter((l) => l.trim() !== '')
  const heads = lines.flatMap((line) => {
    const [, site, seq, hash] = headLine.exec(line.trim()) ?? []
    return site && hash ? [{ site, seq: Number(seq), hash }] : []
  })
  return heads.length > 0 && heads.length === lines.length ? heads : null
}
