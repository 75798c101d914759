import { countedGerms, sampleKinds, sampleUnits } from '@tadka/core/lab'
import { z } from 'zod'
import { sha256, slug, words } from '../stream/envelope.ts'

export const labPayloads = {
  'sample.taken@1': z.strictObject({
    kind: z.enum(sampleKinds),
    station: slug.nullable(),
    where: words(120),
    lab: words(80).min(1),
    number: words(40),
  }),
  'sample.result@1': z.strictObject({
    found: z
      .array(
        z.strictObject({
          of: z.enum(countedGerms),
          value: z.number().min(0).max(1e9),
          bound: z.enum(['less', 'more']).nullable(),
          unit: z.enum(sampleUnits),
        }),
      )
      .min(1)
      .max(10),
    report: sha256.nullable(),
  }),
}
