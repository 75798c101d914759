import { countedThings } from '@tadka/core/house'
import { assemblies, safeActs } from '@tadka/core/procedure'
import { z } from 'zod'
import { slug, words } from '../stream/envelope.ts'
import { runPlain, stepKey } from './runs.ts'
import { procedureSchema } from './schemas.ts'

const why = words(500).min(3)

/** What becomes of a station outside of its runs. */
export const stationPayloads = {
  'mix.changed@1': z.strictObject({ station: slug, to: z.array(slug).min(1).max(4) }),
  'procedure.set@1': z.strictObject({ document: procedureSchema }),
  'procedure.put@1': z.strictObject({ version: z.number().int().min(1).nullable(), from: z.iso.date() }),
  'follow-up.closed@1': z.strictObject({ ...runPlain, step: stepKey, note: words(300) }),
  'count.read@1': z.strictObject({
    station: slug,
    of: z.enum(countedThings),
    total: z.number().min(0).max(1e9),
  }),
  'sign.seen@1': z.strictObject({ station: slug, sign: slug, note: words(300) }),
  'station.laid-up@1': z.strictObject({ station: slug, reason: words(300).min(3) }),
  'station.back@1': z.strictObject({ station: slug }),
  'station.stopped@1': z.strictObject({ station: slug, reason: why }),
  'station.returned@1': z.strictObject({ station: slug, mended: why, proof: why }),
  'station.observed@1': z.strictObject({
    station: slug,
    contents: z.enum(['product', 'empty']),
    assembly: z.enum(assemblies),
    power: z.enum(['on', 'off', 'isolated']),
  }),
  'station.made-safe@1': z.strictObject({
    station: slug,
    did: z.enum(safeActs),
  }),
  'duty.closed@1': z.strictObject({ station: slug, procedure: slug, day: z.iso.date(), reason: why }),
}
