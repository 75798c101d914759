import { caseActs, caseOrigins, caseParts } from '@tadka/core/case'
import { z } from 'zod'
import { slug, words } from '../stream/envelope.ts'

const mL = z.number().min(0).max(1e7)

export const casePayloads = {
  'case.opened@1': z.strictObject({
    case: slug,
    station: slug.nullable(),
    run: slug.nullable(),
    origin: z.enum(caseOrigins),
    said: words(500).min(3),
  }),
  'case.told@1': z.strictObject({
    case: slug,
    station: slug.nullable(),
    part: z.enum(caseParts),
    said: words(500).min(3),
  }),
  'case.action@1': z.strictObject({
    case: slug,
    station: slug.nullable(),
    run: slug.nullable(),
    bath: slug.nullable(),
    did: z.enum(caseActs),
    amount: mL.nullable(),
    unit: z.enum(['mL', 'g', 'pieces', 'share']).optional(),
    note: words(500),
  }),
  'case.closed@1': z.strictObject({ case: slug, station: slug.nullable(), reason: words(500).min(3) }),
}
