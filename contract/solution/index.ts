import { z } from 'zod'
import { chemicalClass, liquidSupply, measuringTool, scale, supply, volumeUnit } from './schemas.ts'

const volume = z.strictObject({
  value: z.number().min(0).max(1e7),
  unit: volumeUnit,
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
  /** Null where nobody knows how much it is, or how much there is room for. */
  volume: volume.nullable(),
  capacity: volume.nullable(),
  /** ppm; no upper end where it reads "so much or more". */
  reading: z.strictObject({ lo: z.number().min(0), hi: z.number().min(0).nullable() }),
  supply,
  /** What label and code allow, ppm. */
  band: z.strictObject({ lo: z.number().positive(), hi: z.number().positive() }),
  tools: z.array(measuringTool).max(20),
  scales: z.array(scale).max(20).optional(),
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

/** A wash tank dosed by hand. */
export const tankBody = z.strictObject({
  volume,
  /** Fresh water that a rack brings. */
  rinseWater: volume,
  /** The label's band, g/L. */
  band: z.strictObject({ lo: positive, target: positive, hi: positive }),
  /** The least that can be measured, g. */
  tool: positive.optional(),
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
