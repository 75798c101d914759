import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { costsOf, priceKey, type Prices, type Spent } from '../../cost/index.ts'

const none: Spent = {
  ...{ station: 'twin', cleanings: 0, minutes: 0, chemicals: [], water: 0 },
  ...{ parts: [], labour: [], hoursDown: 0 },
}
const prices: Prices = {
  ...{ hour: 18, water: 4 },
  chemicals: { [priceKey('soap', 'mL')]: 0.006 },
  spares: { seal: 2.5 },
}

describe('what a month of cleaning costs', () => {
  it('is its minutes, chemicals, water, parts and repairs, worked by hand', () => {
    const [cost] = costsOf(
      [
        {
          ...none,
          ...{ minutes: 620, water: 840, hoursDown: 26 },
          chemicals: [{ product: 'soap', amount: 1500, unit: 'mL' }],
          parts: [
            { spare: 'seal', count: 3, price: null },
            { spare: null, count: 1, price: 42 },
          ],
          labour: [96],
        },
      ],
      prices,
    )
    // 620 min at 18 an hour, 1500 mL at 0.006, 0.84 m³ at 4, 3 at 2.5 and 42, 96.
    expect(cost?.work).toEqual({ sum: 186, unpriced: 0 })
    expect(cost?.chemicals.sum).toBeCloseTo(9)
    expect(cost?.water.sum).toBeCloseTo(3.36)
    expect(cost?.parts).toEqual({ sum: 49.5, unpriced: 0 })
    expect(cost?.repairs).toEqual({ sum: 96, unpriced: 0 })
    expect(cost?.total.sum).toBeCloseTo(343.86)
  })
  it('says how much of it has no price, and lets none pass for nothing', () => {
    const spent: Spent = {
      ...{ ...none, minutes: 60, water: 10 },
      chemicals: [
        { product: 'soap', amount: 5, unit: 'g' },
        { product: 'acid', amount: 5, unit: 'mL' },
      ],
      parts: [{ spare: 'ring', count: 1, price: null }],
      labour: [null],
    }
    const [cost] = costsOf([spent], { hour: null, water: null, chemicals: {}, spares: {} })
    expect(cost?.total).toEqual({ sum: 0, unpriced: 6 })
  })
  it('asks for no price of what was not used', () => {
    expect(costsOf([none], { hour: null, water: null, chemicals: {}, spares: {} })[0]?.total).toEqual({
      ...{ sum: 0, unpriced: 0 },
    })
  })
  it('names the dearest first', () => {
    const told = costsOf([none, { ...none, station: 'ice', minutes: 5 }], prices)
    expect(told.map((c) => c.spent.station)).toEqual(['ice', 'twin'])
  })
  it('grows by what more is used, and is the sum of its parts', () => {
    const n = fc.integer({ min: 0, max: 10_000 })
    fc.assert(
      fc.property(n, n, n, (minutes, water, soap) => {
        const of = (m: number) =>
          costsOf(
            [{ ...none, minutes: m, water, chemicals: [{ product: 'soap', amount: soap, unit: 'mL' }] }],
            prices,
          )[0]
        const [less, more] = [of(minutes), of(minutes + 1)]
        if (!less || !more) throw new Error('no cost')
        expect(more.total.sum).toBeGreaterThan(less.total.sum)
        const sum = less.work.sum + less.chemicals.sum + less.water.sum + less.parts.sum + less.repairs.sum
        expect(less.total.sum).toBeCloseTo(sum, 6)
      }),
    )
  })
})
