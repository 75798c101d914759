import { besides, emptyWays, shelfKinds } from '@tadka/core/shelf'
import { z } from 'zod'
import { slug, words } from '../stream/envelope.ts'

const mark = words(12).min(1)
const count = z.number().int().min(1).max(999)

export const shelfPayloads = {
  'shelf.set@1': z
    .strictObject({
      name: words(60).min(1),
      area: words(60).min(1),
      kind: z.enum(shelfKinds),
      over: slug.nullable(),
      beside: z.array(z.enum(besides)).max(besides.length),
      partitioned: z.boolean(),
      slots: z.array(z.strictObject({ mark, product: slug })).max(12),
      ended: z.literal(true).exactOptional(),
    })
    .refine((s) => (s.kind === 'dispenser') === s.slots.length > 0, {
      path: ['slots'],
      message: 'a dispenser has slots, and nothing else has',
    })
    .refine((s) => new Set(s.slots.map((x) => x.mark)).size === s.slots.length, {
      path: ['slots'],
      message: 'two slots have one mark',
    }),
  'shelf.stands@1': z.strictObject({ product: slug, here: z.boolean(), from: slug.nullable() }),
  'slot.filled@1': z.strictObject({ mark, belongs: slug, product: slug }),
  'container.emptied@1': z.strictObject({ count, went: z.enum(emptyWays) }),
  'container.gone@1': z.strictObject({ count, went: z.enum(emptyWays).exclude(['waits']) }),
}
