import { z } from 'zod'
import { slug } from '../stream/envelope.ts'

const days = z.number().int().nullable()
const told = z.object({
  id: slug,
  amount: z.number(),
  doubt: z.number(),
  countedAt: z.number(),
  coming: z.number(),
  perDay: z.number(),
  lossPerDay: z.number(),
  left: z.object({ least: days, expected: days, most: days }),
  order: z.object({
    inDays: days,
    packs: z.number().int(),
    heldBy: z.literal('best-before').exactOptional(),
  }),
  lots: z
    .array(z.object({ lot: z.string(), bestBefore: z.string().nullable(), amount: z.number() }))
    .readonly(),
})

/** How all that is kept in stock stands; of what nobody can tell, why. */
export const stockAnswer = z.object({
  /** The trading day that days are counted from, ISO date. */
  today: z.string(),
  items: z.array(z.union([told, z.object({ id: slug, untold: z.enum(['not-counted', 'too-new']) })])),
})
export type StockAnswer = z.infer<typeof stockAnswer>
