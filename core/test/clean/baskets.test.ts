import { describe, expect, it } from 'vitest'
import { basketWhole } from '../../bath/index.ts'
import { foldAll, type AnyRecord } from '../../stream/index.ts'
import { folds, inForceFor } from '../../record/index.ts'
import { chlorine, recordOf } from '../records.ts'

const bath = { kind: 'bath', id: 'b' } as const
const mixed = recordOf(0, 'bath.mixed@1', bath, {
  bath: 'b',
  where: 'sink',
  station: null,
  run: null,
  product: 'chlor',
  productName: 'Chlor',
  volume: 40_000,
  poured: 40,
  tool: 'jug',
  target: 100,
  capacity: 50_000,
})
const known = {
  station: () => null,
  run: () => null,
  procedure: () => null,
  product: () => chlorine,
  mix: () => null,
  freshHours: 4,
}
function went(minute: number, basket: string, product = 'chlor'): AnyRecord {
  const made = recordOf(minute, 'ware.in@1', bath, { bath: 'b', product, basket, boot: 'x' }, minute * 100)
  const inForce = inForceFor(made, known)
  return { ...made, ...(inForce ? { inForce } : {}) } as AnyRecord
}
const came = (minute: number, basket: string) =>
  recordOf(minute, 'ware.out@1', bath, { bath: 'b', basket, boot: 'x' }, minute * 100 + 1)
const baskets = (...records: AnyRecord[]) => foldAll(folds.bath, bath, [mixed, ...records]).state.baskets

describe('a basket in sanitizer', () => {
  it('stays as long as the label asks: 60 s here, though the code asks for 10', () => {
    const [b] = baskets(went(1, 'one'), came(2, 'one'))
    expect(b).toMatchObject({ leastMs: 60_000, out: { ms: 60_000 } })
    expect(b && basketWhole(b)).toBe(true)
  })
  it('taken out early is not sanitized, and is told how long it was in', () => {
    const [b] = baskets(went(1, 'one'), came(1.5, 'one'))
    expect(b?.out).toMatchObject({ ms: 30_000 })
    expect(b && basketWhole(b)).toBe(false)
  })
  it('several are timed at once, each by itself; out twice is out once', () => {
    const all = baskets(went(1, 'one'), went(1.5, 'two'), came(2, 'one'), came(9, 'one'), came(2, 'two'))
    expect(all.map((b) => b.out?.ms)).toEqual([60_000, 30_000])
  })
  it('a label of another product than the bath is made of shortens nothing: the longest of the code', () => {
    expect(baskets(went(1, 'one', 'other'))[0]).toMatchObject({ leastMs: 30_000, out: null })
  })
  it('what never went in never came out', () => expect(baskets(came(2, 'one'))).toEqual([]))
})
