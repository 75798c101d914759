import { allergens } from '@tadka/core/rerun'
import { z } from 'zod'
import { slug, words } from '../stream/envelope.ts'

/** A temperature as it was read: what a probe can show. */
const read = z.strictObject({ value: z.number().min(-40).max(250), unit: z.enum(['°C', '°F']) })
const day = z.iso.date()

export const rerunPayloads = {
  'mix.set@1': z.strictObject({
    name: words(80).trim().min(1),
    flavour: words(80),
    statedNotTcs: z.boolean(),
    allergens: z.array(z.enum(allergens)).max(allergens.length).nullable(),
    rerun: z.boolean().nullable(),
    keepDays: z.number().int().min(1).max(365).nullable(),
  }),
  'rerun.kept@1': z.strictObject({
    station: slug,
    run: slug.nullable(),
    mixes: z.array(slug).max(8),
    litres: z.number().min(0).max(1000),
    read,
    since: day,
    useBy: day,
  }),
  'rerun.read@1': z.strictObject({ read }),
  'rerun.ended@1': z.strictObject({
    how: z.enum(['used', 'thrown-out']),
    into: slug.nullable(),
    reason: words(300),
  }),
}
