import { z } from 'zod'

const authority = z.object({
  /** SHA-256, as the console shows it. */
  fingerprint: z.string(),
  /** Milliseconds UTC. */
  from: z.number(),
  to: z.number(),
})

/** What tablets are told to trust, and what follows it from the month before its end. */
export const trustView = z.object({ now: authority.nullable(), next: authority.nullable() })
export type TrustView = z.infer<typeof trustView>
