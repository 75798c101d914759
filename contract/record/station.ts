import { z } from 'zod'
import { slug, words } from './envelope.ts'

const why = words(500).min(3)

/** What becomes of a station outside of its runs. */
export const stationPayloads = {
  'station.stopped@1': z.strictObject({ station: slug, reason: why }),
  'station.returned@1': z.strictObject({ station: slug, mended: why, proof: why }),
  'station.observed@1': z.strictObject({
    station: slug,
    contents: z.enum(['product', 'empty']),
    assembly: z.enum(['whole', 'apart', 'drying']),
    power: z.enum(['on', 'off', 'isolated']),
  }),
  'station.made-safe@1': z.strictObject({
    station: slug,
    did: z.enum(['drained', 'rinsed', 'switched-off', 'feeds-on']),
  }),
  'duty.closed@1': z.strictObject({ station: slug, procedure: slug, day: z.iso.date(), reason: why }),
}
