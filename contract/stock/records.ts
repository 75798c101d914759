import { stockUnits } from '@tadka/core/stock'
import { z } from 'zod'
import { slug, words } from '../stream/envelope.ts'

const amount = z.number().min(0).max(1e9)
const some = z.number().positive().max(1e9)
const of = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.enum(['product', 'instrument', 'spare']), id: slug }),
  z.strictObject({ kind: z.literal('thing') }),
])
const day = z.iso.date()

export const stockPayloads = {
  'stock.set@1': z.strictObject({
    name: words(80).min(1),
    of,
    unit: z.enum(stockUnits),
    pack: some,
    leadDays: z.number().int().min(0).max(180),
    supplier: words(80),
    price: z.number().min(0).max(1e6).nullable(),
    keepsDays: z.number().int().min(1).max(3650).nullable(),
    perRun: z.array(z.strictObject({ procedure: slug, amount: some })).max(20),
    place: words(60),
    ended: z.literal(true).exactOptional(),
  }),
  'stock.counted@1': z.strictObject({ amount, of }),
  'stock.came@1': z.strictObject({
    amount: some,
    of,
    lot: words(40),
    bestBefore: day.nullable(),
    label: z.enum(['same', 'other']).nullable(),
  }),
  'stock.ordered@1': z.strictObject({ amount: some, expected: day }),
  'stock.lost@1': z.strictObject({ amount: some, of, why: words(200).min(3) }),
}
