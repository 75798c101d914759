import { volumeUnits } from '@tadka/core/quantity'
import { chemicalClasses } from '@tadka/core/solution'
import { z } from 'zod'

export const chemicalClass = z.enum(chemicalClasses)

const mL = z.number().min(0).max(1e7)
export const volumeUnit = z.enum(volumeUnits)

const stated = z.strictObject({
  value: z.number().positive(),
  as: z.enum(['ppm', '% w/v', '% w/w']),
  density: z.number().positive().nullable(),
  counts: z.enum(['active', 'hypochlorite']),
})

const some = z.number().positive().max(1e6)
/** How a label words a dose, kept as it stands there. */
const worded = z
  .discriminatedUnion('as', [
    z.strictObject({
      as: z.literal('per-volume'),
      amount: some,
      unit: volumeUnit,
      per: some,
      of: volumeUnit,
    }),
    z.strictObject({
      as: z.literal('per-weight'),
      amount: some,
      unit: z.enum(['g', 'oz']),
      per: some,
      of: volumeUnit,
    }),
    z.strictObject({ as: z.literal('at-ratio'), ppm: some, parts: some, meaning: z.enum(['to', 'in']) }),
    z.strictObject({ as: z.literal('pieces-per'), pieces: some, per: some, of: volumeUnit, ppm: some }),
  ])
  .optional()

export const liquidSupply = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('strength'),
    stock: z.number().positive(),
    stated: stated.optional(),
    worded,
  }),
  z.strictObject({ kind: z.literal('ratio'), parts: z.number().positive(), meaning: z.enum(['to', 'in']) }),
  z.strictObject({ kind: z.literal('per-litre'), millilitres: z.number().positive(), worded }),
])

export const supply = z.discriminatedUnion('kind', [
  ...liquidSupply.options,
  z.strictObject({ kind: z.literal('powder'), active: z.number().positive().max(1) }),
  z.strictObject({ kind: z.literal('grams-per-litre'), grams: z.number().positive().max(1000), worded }),
  z.strictObject({
    kind: z.literal('pieces'),
    active: z.number().positive(),
    mayBeHalved: z.boolean(),
    worded,
  }),
])

export const measuringTool = z.strictObject({
  name: z.string().max(80),
  capacity: mL.positive(),
  /** The unit that its marks are printed in; absent: mL. */
  marks: volumeUnit.optional(),
  graduation: mL.positive(),
  error: mL,
})

/** Grams. */
export const scale = z.strictObject({
  name: z.string().max(80),
  graduation: z.number().positive().max(10_000),
  error: z.number().min(0).max(10_000),
})
