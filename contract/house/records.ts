import { allergens } from '@tadka/core/house'
import { z } from 'zod'
import { localRuleSet } from '../rules/schemas.ts'
import { slug, words } from '../stream/envelope.ts'
import { instrumentChecked, instrumentSet } from './instrument.ts'
import { concentrateOpened, dataSheetSet, productSet } from './product.ts'
import { crewSet, rosterSet } from './roster.ts'
import { siteSet } from './site.ts'
import { stationSet } from './station.ts'

const recipeRange = (least: number, most: number) =>
  z
    .strictObject({ lo: z.number().min(least).max(most), hi: z.number().min(least).max(most) })
    .refine((r) => r.lo <= r.hi)

export const housePayloads = {
  'site.set@1': siteSet,
  'station.set@1': stationSet,
  'product.set@1': productSet,
  'instrument.set@1': instrumentSet,
  'product.sheet@1': dataSheetSet,
  'concentrate.opened@1': concentrateOpened,
  'water.measured@1': z.strictObject({ hardness: z.number().min(0).max(3000), with: words(80) }),
  'concentrate.drawn@1': z.strictObject({
    product: slug,
    station: slug,
    millilitres: z.number().min(0).max(1_000_000),
  }),
  'instrument.checked@1': instrumentChecked,
  'rule.set@1': localRuleSet,
  'mix.set@1': z.strictObject({
    name: words(80).trim().min(1),
    flavour: words(80),
    statedNotTcs: z.boolean(),
    allergens: z.array(z.enum(allergens)).max(allergens.length).nullable(),
    rerun: z.boolean().nullable(),
    keepDays: z.number().int().min(1).max(365).nullable(),
    recipe: z
      .strictObject({
        celsius: recipeRange(-40, 20).nullable(),
        consistency: recipeRange(0, 1000).nullable(),
      })
      .exactOptional(),
  }),
  'spare.set@1': z.strictObject({
    partNumber: words(40).exactOptional(),
    name: words(80).min(1),
    fits: z.array(z.string().max(60)).max(40),
    count: z.number().int().min(-1000).max(100_000),
  }),
  'spare.drawn@1': z.strictObject({
    spare: slug,
    station: slug,
    count: z
      .number()
      .int()
      .min(-1)
      .max(1000)
      .refine((n) => n !== 0),
  }),
  'roster.set@1': rosterSet,
  'crew.set@1': crewSet,
}
