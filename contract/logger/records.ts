import { verdicts } from '@tadka/core/rules'
import { delimiters, encodings, measures, timeOrders, unitsFor, type LoggerUnit } from '@tadka/core/logger'
import { z } from 'zod'
import { instantMs, sha256, slug, words } from '../stream/envelope.ts'

const column = z.number().int().min(0).max(500)
const units = [...new Set(Object.values(unitsFor).flat())] as [LoggerUnit, ...LoggerUnit[]]

/** How a logger's file is read. */
export const loggerMapping = z
  .strictObject({
    encoding: z.enum(encodings),
    delimiter: z.enum(delimiters),
    decimal: z.enum(['.', ',']),
    skip: z.number().int().min(0).max(1000),
    time: z.strictObject({
      column,
      clock: column.nullable(),
      order: z.enum(timeOrders),
      zone: z.string().min(1).max(60),
    }),
    columns: z
      .array(z.strictObject({ column, measures: z.enum(measures), unit: z.enum(units) }))
      .min(1)
      .max(12),
    accuracy: z.number().min(0).max(10).nullable(),
  })
  .refine((m) => m.columns.every((c) => unitsFor[c.measures].includes(c.unit)), {
    message: 'a column is in a unit that it cannot be in',
  })
  .refine(
    (m) =>
      m.columns.every(
        (c, i) => c.measures === 'other' || !m.columns.slice(0, i).some((d) => d.measures === c.measures),
      ),
    { message: 'two columns measure the same' },
  )

const verdict = z.enum(verdicts)
const count = z.number().int().min(0)
const tally = z.strictObject({ in: count, 'too-close': count, out: count, 'cannot-tell': count })
const span = { from: instantMs, to: instantMs }

/** What loggers' files brought. */
export const loggerPayloads = {
  'logger.imported@1': z.strictObject({
    station: slug,
    sha256,
    name: words(120),
    mapping: loggerMapping,
    summary: z.strictObject({
      rows: count,
      doubled: count,
      ...span,
      step: z.number().min(0).nullable(),
      gaps: z.strictObject({
        count,
        lasting: z.number().min(0),
        longest: z.array(z.strictObject(span)).max(20),
      }),
      columns: z
        .array(
          z.strictObject({
            measures: z.enum(measures),
            low: z.number().nullable(),
            high: z.number().nullable(),
            unread: count,
          }),
        )
        .max(12),
    }),
    cycles: z.strictObject({ judged: tally, known: count }).nullable(),
    passes: z
      .strictObject({
        count,
        judged: tally,
        last: z
          .array(z.strictObject({ ...span, highest: z.number(), a0: z.number().min(0), verdict }))
          .max(60),
      })
      .nullable(),
  }),
  'logger.withdrawn@1': z.strictObject({ station: slug, reason: words(300).min(1) }),
}
