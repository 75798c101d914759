import { subjectKinds } from '@tadka/core/stream'
import { z } from 'zod'

/** States are kept by what they are called: a name that every object has already would be found where nothing is. */
function isFree(name: string): boolean {
  return !(name in Object.prototype)
}
/** A name for something that states keep by it. */
export const freeName = (pattern: RegExp, max: number) =>
  z.string().regex(pattern).max(max).refine(isFree, 'is a name that every object has')
/** The name of a field that whoever sends may choose. */
export const freeKey = (max: number) => z.string().max(max).refine(isFree, 'is a name that every object has')

/** Site and subject ids are short slugs, or UUIDs where a device makes them. */
export const slug = freeName(/^[a-z0-9][a-z0-9.-]*$/, 64)
/** Bytes by their SHA-256, in hex. */
export const sha256 = z.string().regex(/^[0-9a-f]{64}$/)
export const instantMs = z.number().int().min(0).max(8_640_000_000_000_000)

const storable = (value: string) => !value.includes('\0') && !/\p{Surrogate}/u.test(value)
/** Text that JSON and the database both can hold. */
export const words = (max: number) =>
  z.string().max(max).refine(storable, 'holds a character that cannot be stored')

export const subjectKind = z.enum(subjectKinds)
export const subjectRef = z.strictObject({ kind: subjectKind, id: slug })

/** A draft before its payload is looked at. */
export const draftEnvelope = z.strictObject({
  id: z.uuid().refine((id) => id === id.toLowerCase(), 'must be in lower case'),
  site: slug,
  type: z.string().max(64),
  subject: subjectRef,
  observedAt: instantMs,
  device: slug,
  counter: z.number().int().min(0).max(Number.MAX_SAFE_INTEGER),
  by: slug,
  payload: z.unknown(),
})

/**
 * What a tablet sends: its own clock's time with the drafts, and what it knows of the server's (server minus own, ms), so that
 * its clock can be corrected, however long this is under way.
 */
export const batchBody = z.strictObject({
  sentAt: instantMs,
  offset: z.number().int().min(-1e14).max(1e14).optional(),
  drafts: z.array(z.unknown()).min(1).max(500),
  /** Beside each draft, in the same order: the pass of who made it, and what its tablet knew of the server's clock then (ms). */
  provenance: z
    .array(
      z.strictObject({
        pass: z.string().max(1000).nullable(),
        offset: z.number().int().min(-1e14).max(1e14).nullable(),
      }),
    )
    .max(500)
    .optional(),
})

export interface DraftOutcome {
  readonly id: string | null
  /** `held`: it is kept on the server, and a manager decides about it. */
  readonly outcome: 'accepted' | 'known' | 'refused' | 'held'
  readonly seq?: number
  readonly code?: string
  readonly message?: string
  readonly details?: unknown
}
