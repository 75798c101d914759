import { isLastDay } from '@tadka/core/rerun'
import { z } from 'zod'
import { stepKey } from '../procedure/runs.ts'
import { slug, words } from '../stream/envelope.ts'

/** A temperature as it was read: what a probe can show. */
const read = z.strictObject({ value: z.number().min(-40).max(250), unit: z.enum(['°C', '°F']) })
const day = z.iso.date()

export const rerunPayloads = {
  'rerun.kept@1': z
    .strictObject({
      station: slug,
      run: slug,
      step: stepKey,
      mixes: z.array(slug).max(8),
      litres: z.number().min(0).max(1000),
      read,
      since: day,
      useBy: day,
    })
    .refine((k) => isLastDay(k.since, k.useBy), {
      path: ['useBy'],
      message: 'is no day that it may be kept to',
    }),
  'rerun.read@1': z.strictObject({ read }),
  'rerun.ended@1': z.strictObject({
    how: z.enum(['used', 'thrown-out']),
    into: slug.nullable(),
    run: slug.nullable(),
    step: stepKey.nullable(),
    reason: words(300),
  }),
  'rerun.taken-back@1': z.strictObject({ run: slug, step: stepKey }),
}
