import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { ppm } from '../../quantity/index.ts'
import {
  activeInPiece,
  agreesWith,
  gramsPerLitreOf,
  perLitreOf,
  stockAtRatio,
} from '../../solution/worded.ts'

// NIST Handbook 44, appendix C: 128 fl oz to the US gallon, 32 to the quart; arithmetic.
describe('a dose as the label words it', () => {
  it.each([
    [{ amount: 3, unit: 'fl oz', per: 1, of: 'gal' }, (3 / 128) * 1000],
    [{ amount: 8, unit: 'fl oz', per: 3, of: 'qt' }, (8 / 96) * 1000],
    [{ amount: 2, unit: 'fl oz', per: 3, of: 'gal' }, (2 / 384) * 1000],
    [{ amount: 1, unit: 'tbsp', per: 1, of: 'gal' }, (0.5 / 128) * 1000],
    [{ amount: 5, unit: 'mL', per: 1, of: 'L' }, 5],
    [{ amount: 1, unit: 'cup', per: 1, of: 'gal' }, 62.5],
  ] as const)('%j is %d mL per litre', (w, expected) => expect(perLitreOf(w)).toBeCloseTo(expected, 6))
  it('ounces of powder to a gallon or a quart', () => {
    expect(gramsPerLitreOf({ amount: 1, unit: 'oz', per: 1, of: 'gal' })).toBeCloseTo(7.489, 3)
    expect(gramsPerLitreOf({ amount: 1, unit: 'oz', per: 1, of: 'qt' })).toBeCloseTo(29.957, 3)
    expect(gramsPerLitreOf({ amount: 10, unit: 'g', per: 2, of: 'L' })).toBe(5)
  })
  it('so many ppm at 1:N, to and in told apart', () => {
    expect(stockAtRatio({ ppm: 200, parts: 256, meaning: 'to' })).toBe(51_400)
    expect(stockAtRatio({ ppm: 200, parts: 256, meaning: 'in' })).toBe(51_200)
  })
  it('one tablet to so many litres', () => {
    expect(activeInPiece({ pieces: 1, per: 5, of: 'L', ppm: 200 })).toBe(1000)
    expect(activeInPiece({ pieces: 2, per: 1, of: 'gal', ppm: 100 })).toBeCloseTo(189.27, 2)
  })
  it('without a number is none', () => {
    expect(() => perLitreOf({ amount: 0, unit: 'fl oz', per: 1, of: 'gal' })).toThrow()
    expect(() => activeInPiece({ pieces: 1, per: 0, of: 'L', ppm: 200 })).toThrow()
  })
})

describe('a label that states a strength and what a dilution gives', () => {
  const at = (ppm: number, parts: number) => ({ ppm, parts, meaning: 'to' as const })
  it.each([
    [100_000, at(400, 256), 389, true],
    [100_000, at(200, 256), 389, false],
    [100_000, at(200, 512), 195, true],
    [50_000, at(200, 512), 97, false],
  ])('%d mg/L beside %j: gives %d, agrees %s', (stock, said, gives, agrees) => {
    const found = agreesWith(ppm(stock), said)
    expect([Math.round(found.gives), found.agrees]).toEqual([gives, agrees])
  })
  it('agrees with its own figure, rounded as labels do, and with none that is a fifth away', () => {
    const positive = fc.double({ min: 1, max: 1000, noNaN: true })
    fc.assert(
      fc.property(
        positive,
        positive,
        fc.double({ min: -0.08, max: 0.08, noNaN: true }),
        (parts, figure, off) => {
          const said = at(figure, parts)
          const stock = stockAtRatio(said)
          expect(agreesWith(ppm(stock * (1 + off)), said).agrees).toBe(true)
          expect(agreesWith(ppm(stock * 1.2), said).agrees).toBe(false)
          expect(agreesWith(ppm(stock * 0.8), said).agrees).toBe(false)
        },
      ),
    )
  })
})
