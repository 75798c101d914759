import { faultKinds, faultWorks } from '@tadka/core/fault'
import { z } from 'zod'
import { sha256, slug, words } from '../stream/envelope.ts'

const money = z.number().min(0).max(1e6).nullable()

export const faultPayloads = {
  'fault.seen@1': z.strictObject({
    station: slug,
    kind: z.enum(faultKinds),
    works: z.enum(faultWorks),
    said: words(300).min(3),
    photo: sha256.nullable(),
  }),
  'fault.called@1': z.strictObject({
    station: slug.optional(),
    company: words(80).min(1),
    phone: words(40),
    answer: words(300),
    visit: slug.nullable(),
  }),
  'fault.mended@1': z.strictObject({
    station: slug,
    who: words(80).min(1),
    did: words(500).min(3),
    parts: z
      .array(
        z.strictObject({
          name: words(80).min(1),
          spare: slug.nullable(),
          count: z.number().int().min(1).max(1000),
          price: money,
        }),
      )
      .max(20),
    labour: money,
    warranty: z.boolean(),
  }),
  'fault.dropped@1': z.strictObject({ reason: words(300).min(3) }),
}
