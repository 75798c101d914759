import { z } from 'zod'
import { measuringTool, supply } from './schemas.ts'

const volume = z.strictObject({
  value: z.number().min(0).max(1e7),
  unit: z.enum(['mL', 'L', 'tsp', 'tbsp', 'fl oz', 'cup', 'pt', 'qt', 'gal']),
})

export const doseBody = z.strictObject({
  supply,
  /** ppm; null where the label names a dose and no strength. */
  target: z.number().positive().nullable(),
  total: volume,
  band: z.strictObject({ lo: z.number().min(0), hi: z.number().positive() }).nullable(),
  tools: z.array(measuringTool).max(20),
})

export const correctionBody = z.strictObject({
  volume,
  capacity: volume,
  reading: z.strictObject({ lo: z.number().min(0), hi: z.number().min(0) }),
  stock: z.number().positive(),
  band: z.strictObject({ lo: z.number().positive(), hi: z.number().positive() }),
  tool: measuringTool,
  spoiled: z.enum(['soiled', 'old', 'cold', 'detergent']).optional(),
})
export { measuringTool, supply }
