import { z } from 'zod'

export const chemicalClass = z.enum([
  'hypochlorite',
  'quat',
  'iodine',
  'detergent',
  'acid',
  'ammonia',
  'peroxide',
  'alkaline',
])

const mL = z.number().min(0).max(1e7)
export const volumeUnit = z.enum(['mL', 'L', 'tsp', 'tbsp', 'fl oz', 'cup', 'pt', 'qt', 'gal'])

const stated = z.strictObject({
  value: z.number().positive(),
  as: z.enum(['ppm', '% w/v', '% w/w']),
  density: z.number().positive().nullable(),
  counts: z.enum(['active', 'hypochlorite']),
})

export const liquidSupply = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('strength'), stock: z.number().positive(), stated: stated.optional() }),
  z.strictObject({ kind: z.literal('ratio'), parts: z.number().positive(), meaning: z.enum(['to', 'in']) }),
  z.strictObject({ kind: z.literal('per-litre'), millilitres: z.number().positive() }),
])

export const supply = z.discriminatedUnion('kind', [
  ...liquidSupply.options,
  z.strictObject({ kind: z.literal('powder'), active: z.number().positive().max(1) }),
  z.strictObject({ kind: z.literal('grams-per-litre'), grams: z.number().positive().max(1000) }),
  z.strictObject({ kind: z.literal('pieces'), active: z.number().positive(), mayBeHalved: z.boolean() }),
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
