import { pestCauses, pests, pestSigns, trapKinds } from '@tadka/core/pest'
import { z } from 'zod'
import { sha256, words } from '../stream/envelope.ts'

const area = words(60).min(1)

export const pestPayloads = {
  'pest.seen@1': z.strictObject({
    pest: z.enum(pests).nullable(),
    sign: z.enum(pestSigns),
    area,
    said: words(300),
    photo: sha256.nullable(),
  }),
  'pest.caused@1': z.strictObject({ cause: z.enum(pestCauses), said: words(300) }),
  'pest.settled@1': z.strictObject({ said: words(300).min(3) }),
  'trap.set@1': z
    .strictObject({
      number: words(12).min(1),
      kind: z.enum(trapKinds),
      area,
      cell: z.number().int().min(0).max(8),
      enclosed: z.boolean(),
      ended: z.literal(true).exactOptional(),
    })
    .refine((t) => t.kind !== 'bait-station' || t.enclosed, {
      path: ['enclosed'],
      message: 'bait stands in a locked station only',
    }),
  'trap.looked@1': z.strictObject({
    caught: z.number().int().min(0).max(9999),
    sound: z.boolean(),
    said: words(300),
  }),
}
