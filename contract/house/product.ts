import { z } from 'zod'
import { agent, labelUse } from '../rules/schemas.ts'
import { chemicalClass, supply } from '../solution/schemas.ts'
import { instantMs, sha256, slug, words } from '../stream/envelope.ts'

export const productSet = z.strictObject({
  name: words(80).min(1),
  purpose: words(200),
  chemicalClass,
  agent: agent.nullable(),
  supply,
  uses: z
    .array(
      labelUse.extend({
        id: slug,
        range: labelUse.shape.range.nullable(),
        target: z.number().positive().nullable(),
        rinseAfter: z.boolean(),
        alsoWashes: z.boolean().optional(),
      }),
    )
    .max(20),
  ppe: z.array(words(80)).max(10),
  firstAid: words(300),
  neverWith: z.array(chemicalClass).max(10).nullable(),
  codes: z.array(words(48).min(4)).max(8).optional(),
})

export const dataSheetSet = z.strictObject({
  product: slug,
  sha256: sha256.nullable(),
  name: words(120),
})

export const concentrateOpened = z.strictObject({
  product: slug,
  openedAt: instantMs,
  bestBefore: instantMs.nullable(),
  daysOnceOpen: z.number().positive().max(4000).nullable(),
  holds: z.number().positive().max(1_000_000).optional(),
  lot: words(40).optional(),
})
