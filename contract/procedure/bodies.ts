import { z } from 'zod'
import { instantMs, slug, words } from '../stream/envelope.ts'
import { stepKey } from './runs.ts'

const ownPin = { person: slug, pin: z.string().regex(/^\d{4,8}$/, 'is 4 to 8 digits') }
const procedure = z.strictObject({ id: slug, version: z.number().int().min(1) })

/** A shift lead goes on where the crew may not: with their own PIN, and a reason that stays in the log. */
export const overrideBody = z.strictObject({
  ...ownPin,
  reason: words(500).min(3),
  what: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('wait'), run: slug, step: stepKey }),
    z.strictObject({ kind: z.literal('start'), run: slug, station: slug, procedure }),
  ]),
})

/** A run that was done without the tablet. */
export const enterBody = z.strictObject({
  ...ownPin,
  station: slug,
  procedure,
  from: instantMs,
  to: instantMs,
  who: slug,
  read: words(1000),
})
