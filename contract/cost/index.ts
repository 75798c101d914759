import { z } from 'zod'
import { slug } from '../stream/envelope.ts'

const money = z.object({ sum: z.number(), unpriced: z.number().int() })
const unit = z.enum(['mL', 'g', 'pieces'])

export const costMonth = z.object({ month: z.string().regex(/^\d{4}-(0[1-9]|1[0-2])$/) })

/** What a month's cleaning cost, the dearest station first. Sums are in the site's own money. */
export const costAnswer = z.object({
  stations: z.array(
    z.object({
      spent: z.object({
        station: slug.nullable(),
        cleanings: z.number().int(),
        minutes: z.number(),
        chemicals: z.array(z.object({ product: slug, amount: z.number(), unit })).readonly(),
        water: z.number(),
        parts: z
          .array(z.object({ spare: slug.nullable(), count: z.number(), price: z.number().nullable() }))
          .readonly(),
        labour: z.array(z.number().nullable()).readonly(),
        hoursDown: z.number(),
      }),
      work: money,
      chemicals: money,
      water: money,
      parts: money,
      repairs: money,
      total: money,
    }),
  ),
})
export type CostAnswer = z.infer<typeof costAnswer>
