import { layerKinds, limitNotes, verdicts } from '@tadka/core/rules'
import { z } from 'zod'
import { freeKey, slug, words } from '../stream/envelope.ts'
import {
  dishMachineReading,
  hotWaterReading,
  interval,
  coldProductReading,
  judgedQuantity,
  localRule,
  sanitizerReading,
  utensilsReading,
  washWaterReading,
} from '../rules/schemas.ts'

/** Tablets that were away while it changed still say "temperature" for whatever they judged; the server judges anew. */
const quantity = z.preprocess((q) => (q === 'temperature' ? 'sanitizerWater' : q), judgedQuantity)
const verdict = z.enum(verdicts)

export const judgement = z.strictObject({
  overall: verdict,
  layers: z
    .array(
      z.strictObject({
        layer: z.enum(layerKinds),
        name: words(120),
        verdict,
        limits: z.array(
          z.strictObject({
            quantity,
            unit: words(12),
            source: words(200),
            note: z.enum(limitNotes).optional(),
            limit: interval.nullable(),
            reading: interval.nullable(),
            verdict,
            distance: z.number().nullable(),
            struck: z.boolean().optional(),
            looser: z.boolean().optional(),
          }),
        ),
      }),
    )
    .max(20),
  missing: z.array(
    z.strictObject({ quantity: z.union([quantity, z.literal('label')]), best: verdict, worst: verdict }),
  ),
  profile: z.strictObject({ id: slug, version: z.number().int() }),
})

const pick = z.union([
  z.strictObject({ matches: z.number() }),
  z.strictObject({ between: z.tuple([z.number(), z.number()]) }),
  z.strictObject({ darkerThan: z.number() }),
])

const place = {
  station: slug.nullable(),
  run: slug.nullable(),
  step: z.string().max(100).nullable(),
  bath: slug.nullable(),
  case: slug.nullable(),
  judgement,
  instruments: z.array(slug).max(8),
  by: z.record(freeKey(20), slug).optional(),
  local: z.array(localRule).max(50).optional(),
}

const readingTaken = z.discriminatedUnion('what', [
  z.strictObject({
    ...place,
    what: z.literal('sanitizer'),
    product: slug.nullable(),
    use: slug.optional(),
    atRack: z.literal(true).optional(),
    reading: sanitizerReading,
    picks: z.strictObject({
      strength: z.union([pick, z.strictObject({ drops: z.number().int().min(0) })]).nullable(),
      ph: pick.nullable(),
    }),
  }),
  z.strictObject({
    ...place,
    what: z.literal('cold-product'),
    reading: coldProductReading,
  }),
  z.strictObject({ ...place, what: z.literal('utensils'), reading: utensilsReading }),
  z.strictObject({ ...place, what: z.literal('dish-machine'), reading: dishMachineReading }),
  z.strictObject({ ...place, what: z.literal('hot-water'), reading: hotWaterReading }),
  z.strictObject({ ...place, what: z.literal('wash-water'), reading: washWaterReading }),
])

export const readingPayloads = { 'reading.taken@1': readingTaken }
