import { visitKinds } from '@tadka/core/visit'
import { z } from 'zod'
import { sha256, slug, words } from '../stream/envelope.ts'

export const visitPayloads = {
  'visit.set@1': z.strictObject({
    kind: z.enum(visitKinds),
    company: words(80).min(1),
    day: z.iso.date(),
    station: slug.nullable(),
    note: words(300),
    fault: slug.exactOptional(),
    ended: z.literal(true).exactOptional(),
  }),
  'visit.done@1': z.strictObject({
    who: words(80).min(1),
    licence: words(60),
    found: words(500),
    did: words(500).min(3),
    products: z.array(z.strictObject({ name: words(80).min(1), where: words(80).min(1) })).max(20),
    report: sha256.nullable(),
  }),
}
