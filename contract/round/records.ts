import { staffRoles } from '@tadka/core/rights'
import { roundTimes, usualPoints, type UsualPoint } from '@tadka/core/round'
import { z } from 'zod'
import { sha256, slug, words } from '../stream/envelope.ts'

const ask = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('usual'),
    what: z.enum(usualPoints as readonly [UsualPoint, ...UsualPoint[]]),
  }),
  z.strictObject({ kind: z.literal('own'), say: words(160).min(3) }),
  z.strictObject({ kind: z.literal('read'), station: slug }),
])
const area = words(60)
const point = z.strictObject({ id: slug, area, ask })

export const roundPayloads = {
  'round.set@1': z.strictObject({
    name: words(60).min(1),
    who: z.enum(staffRoles),
    days: z.array(z.number().int().min(1).max(7)).max(7).readonly(),
    when: z.enum(roundTimes),
    points: z
      .array(point)
      .max(80)
      .refine((all) => new Set(all.map((p) => p.id)).size === all.length, 'has a point twice'),
    ended: z.literal(true).exactOptional(),
  }),
  'walk.begun@1': z.strictObject({ walk: slug }),
  'walk.looked@1': z
    .strictObject({
      walk: slug,
      point: slug,
      area,
      ask,
      fine: z.boolean(),
      said: words(300),
      photo: sha256.nullable(),
      reading: z.uuid().nullable(),
    })
    .refine((l) => l.ask.kind === 'read' || l.reading === null, {
      path: ['reading'],
      message: 'is told only for a point that is read',
    })
    .refine((l) => l.ask.kind !== 'read' || l.reading !== null || !l.fine, {
      path: ['reading'],
      message: 'is what makes it fine',
    })
    .refine((l) => l.fine || l.reading !== null || l.said.trim().length > 2, {
      path: ['said'],
      message: 'says what is wrong',
    }),
  'walk.ended@1': z.strictObject({ walk: slug, left: words(300).min(3).nullable() }),
}
