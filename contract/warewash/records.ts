import { endings, rejectSigns, waysOn } from '@tadka/core/warewash'
import { z } from 'zod'
import { instantMs, slug, words } from '../stream/envelope.ts'
import { judgement } from '../reading/records.ts'

const figure = z.number().nullable()
const racks = z.number().int().min(-1000).max(1000)

/** What the dish room records. */
export const dishPayloads = {
  'cycle.judged@1': z.strictObject({
    station: slug,
    cycle: slug,
    from: instantMs,
    to: instantMs,
    ending: z.enum(endings),
    racks,
    figures: z.strictObject({
      washSeconds: z.number().min(0),
      rinseSeconds: z.number().min(0),
      missing: z.number().min(0),
      washLow: figure,
      washMean: figure,
      rinseLow: figure,
      rinseLast: figure,
      rinseHigh: figure,
      secondsHot: z.number().min(0),
      pressureLow: figure,
      pressureHigh: figure,
      a0: figure,
      stuck: z.array(z.string().max(20)).max(3),
    }),
    judgement: judgement.nullable(),
    conductivity: figure,
    replaces: z.array(slug).max(20),
  }),
  'rack.tallied@1': z.strictObject({ station: slug, racks }),
  'ware.rejected@1': z.strictObject({
    station: slug,
    sign: z.enum(rejectSigns),
    pieces: z.union([z.literal(1), z.literal(-1)]),
  }),
  'dish.water-changed@1': z.strictObject({ station: slug }),
  'dish.set-aside@1': z.strictObject({
    station: slug,
    way: z.enum(waysOn),
    inDoubt: z.number().int().min(0).max(100_000),
    doubtSince: instantMs.nullable(),
    rewashed: z.boolean(),
    note: words(500),
    asks: z.literal('ppm').optional(),
  }),
  'dish.returned@1': z.strictObject({ station: slug, passed: slug }),
}
