import { countedThings } from '@tadka/core/house'
import { plateFaults } from '@tadka/core/plate'
import { z } from 'zod'
import { freeKey, slug, words } from '../stream/envelope.ts'

const trigger = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('each-close') }),
  z.strictObject({ kind: z.literal('each-open') }),
  z.strictObject({
    kind: z.literal('hours'),
    hours: z.union([z.number().positive().max(1000), z.literal('room')]),
    counts: z.enum(['in-use', 'clock']),
  }),
  z.strictObject({ kind: z.literal('weekly'), day: z.number().int().min(1).max(7) }),
  z.strictObject({ kind: z.literal('months'), months: z.number().int().min(1).max(60) }),
  z.strictObject({
    kind: z.literal('count'),
    of: z.enum(countedThings),
    every: z.number().positive(),
  }),
  z.strictObject({ kind: z.literal('sign'), sign: slug }),
  z.strictObject({ kind: z.literal('predicted'), what: slug }),
  z.strictObject({ kind: z.literal('linked'), to: slug }),
])

/** Only what a plate can say: 900 °C is a slip of the finger, and what is mixed goes into what holds it. */
const plateParameters = z.record(freeKey(40), z.number()).superRefine((parameters, ctx) => {
  for (const fault of plateFaults(parameters))
    ctx.addIssue({
      code: 'custom',
      path: [fault.name],
      message:
        fault.because === 'range'
          ? `must be between ${fault.can.lo} and ${fault.can.hi} ${fault.unit}`
          : `must be no more than ${fault.other}`,
    })
})

export const stationSet = z.strictObject({
  name: words(80).min(1),
  tag: words(12),
  place: words(80),
  family: slug,
  model: words(80),
  parameters: plateParameters,
  duties: z
    .array(
      z.strictObject({
        procedure: slug,
        trigger,
        rule: words(200),
      }),
    )
    .max(50),
  options: z.record(freeKey(40), z.string().max(40)).optional(),
  up: z.enum(['rush', 'trading']).optional(),
  typical: z.literal(true).optional(),
  pages: z.record(freeKey(40), z.string().min(1).max(20)).optional(),
  warranty: z
    .strictObject({ until: z.iso.date(), company: words(80).min(1), phone: words(40) })
    .exactOptional(),
  retired: z.literal(true).optional(),
})
