import { z } from 'zod'
import { words } from '../stream/envelope.ts'

export const decideBody = z.strictObject({
  /** Let it into the log, or leave it out. */
  take: z.boolean(),
  reason: words(500).refine((text) => text.trim().length >= 3, 'needs at least three letters'),
})

export const heldList = z.object({
  held: z.array(
    z.object({
      id: z.uuid(),
      /** As it came. */
      draft: z.unknown(),
      why: z.string(),
      clockOffset: z.number(),
      receivedAt: z.number(),
    }),
  ),
})
export type HeldList = z.infer<typeof heldList>
