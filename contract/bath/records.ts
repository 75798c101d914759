import { z } from 'zod'
import { slug, words } from '../stream/envelope.ts'

const mL = z.number().min(0).max(1e7)

const bathMixed = z
  .strictObject({
    bath: slug,
    where: words(80),
    station: slug.nullable(),
    run: slug.nullable(),
    product: slug,
    use: slug.optional(),
    productName: words(80),
    volume: mL,
    poured: mL,
    tool: words(80),
    measured: z
      .strictObject({ amount: z.number().min(0), unit: z.enum(['g', 'pieces', 'strokes', 's']) })
      .optional(),
    target: z.number().min(0).nullable(),
    capacity: mL,
  })
  .refine((b) => b.volume <= b.capacity, {
    path: ['volume'],
    message: 'must be no more than the vessel holds',
  })

export const bathPayloads = {
  'bath.mixed@1': bathMixed,
  'ware.in@1': z.strictObject({ bath: slug, product: slug, basket: slug, boot: slug.optional() }),
  'ware.out@1': z.strictObject({ bath: slug, basket: slug, boot: slug.optional() }),
}
