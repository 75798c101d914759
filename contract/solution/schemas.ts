import { z } from 'zod'

export const chemicalClass = z.enum([
  'hypochlorite',
  'quat',
  'detergent',
  'acid',
  'ammonia',
  'peroxide',
  'alkaline',
])

const mL = z.number().min(0).max(1e7)

export const supply = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('strength'), stock: z.number().positive() }),
  z.strictObject({ kind: z.literal('ratio'), parts: z.number().positive(), meaning: z.enum(['to', 'in']) }),
  z.strictObject({ kind: z.literal('per-litre'), millilitres: z.number().positive() }),
])

export const measuringTool = z.strictObject({
  name: z.string().max(80),
  capacity: mL.positive(),
  graduation: mL.positive(),
  error: mL,
})
