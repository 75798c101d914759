import { deliveredKinds, isOpenedDay, received } from '@tadka/core/food'
import { z } from 'zod'
import { coldProductReading } from '../rules/schemas.ts'
import { slug, words } from '../stream/envelope.ts'

const day = z.iso.date()
/** As for what is read in a machine: what a thermometer can show, and what is known of it. */
const read = z
  .strictObject({
    unit: z.enum(['°C', '°F']),
    value: z.number(),
    interval: coldProductReading.shape.interval,
  })
  .refine((r) => coldProductReading.safeParse(r).success, {
    path: ['value'],
    message: 'cannot be read of food',
  })

export const foodPayloads = {
  'food.received@1': z
    .strictObject({
      name: words(80).min(1),
      supplier: words(80),
      kind: z.enum(deliveredKinds),
      read: read.nullable(),
      on: slug.nullable(),
      whole: z.boolean(),
      hard: z.boolean().exactOptional(),
      milkAt7: z.literal(true).exactOptional(),
      took: z.boolean(),
      note: words(300),
    })
    .refine((f) => !f.took || ['take', 'cool'].includes(received(f).is), {
      path: ['took'],
      message: 'may not be put away',
    }),
  'food.read@1': z.strictObject({ read, on: slug.nullable() }),
  'food.opened@1': z
    .strictObject({ name: words(80).min(1), since: day, useBy: day })
    .refine(isOpenedDay, { path: ['useBy'], message: 'is no day that it may be kept to' }),
  'food.gone@1': z.strictObject({ how: z.enum(['used', 'thrown-out']) }),
}
