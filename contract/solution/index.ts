import { z } from 'zod'
import { chemicalClass, liquidSupply, measuringTool } from './schemas.ts'

const volume = z.strictObject({
  value: z.number().min(0).max(1e7),
  unit: z.enum(['mL', 'L', 'tsp', 'tbsp', 'fl oz', 'cup', 'pt', 'qt', 'gal']),
})

export const doseBody = z.strictObject({
  supply: liquidSupply,
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

const positive = z.number().positive().max(1e9)

export const powderBody = z.strictObject({
  /** Mass of active agent in a mass of powder, 0 to 1. */
  active: z.number(),
  target: positive,
  total: volume,
})

export const pieceBody = z.strictObject({
  /** Milligrams of active agent in one tablet or sachet. */
  active: positive,
  mayBeHalved: z.boolean(),
  target: positive,
  total: volume,
})

export const topUpBody = z.strictObject({
  volume,
  to: volume,
  reading: z.strictObject({ lo: z.number().min(0), hi: z.number().min(0) }),
  stock: positive,
  target: positive,
  band: z.strictObject({ lo: z.number().min(0), hi: positive }),
})

export const pourBody = z.strictObject({
  product: chemicalClass,
  inVessel: z.array(z.union([chemicalClass, z.enum(['water', 'empty', 'unknown'])])).max(20),
})

export const dispenserBody = z.strictObject({
  measured: volume,
  expected: volume,
  target: positive,
  band: z.strictObject({ lo: z.number().min(0), hi: positive }),
  /** Earlier checks, measured over expected, oldest first. */
  before: z.array(z.number().min(0).max(10)).max(1000),
})
