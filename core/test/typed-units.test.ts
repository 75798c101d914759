import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { isPlausible, typedUnit, type Kept } from '../quantity/index.ts'

const all: readonly Kept[] = ['litres', 'millilitres', 'celsius', 'hardness']

describe('what is typed in the unit of the site', () => {
  it.each([
    ['litres', 1, 'gal', 3.785411784],
    ['millilitres', 1, 'fl oz', 29.5735295625],
    ['celsius', 212, '°F', 100],
    // NIST Handbook 44, appendix C: a grain is 64.79891 mg; over 3.785411784 L.
    ['hardness', 1, 'gpg', 17.118],
  ] as const)('of %s: %d %s', (kept, typed, unit, expected) => {
    const us = typedUnit(kept, 'us')
    expect(us.unit).toBe(unit)
    expect(us.kept(typed)).toBeCloseTo(expected, 3)
  })
  it('comes back as it was typed, and metric is kept as it is', () => {
    fc.assert(
      fc.property(fc.constantFrom(...all), fc.double({ min: 0, max: 5000, noNaN: true }), (kept, value) => {
        const us = typedUnit(kept, 'us')
        expect(us.typed(us.kept(value))).toBeCloseTo(value, 6)
        expect(typedUnit(kept, 'metric').kept(value)).toBe(value)
      }),
    )
  })
  it('that cannot be is refused alike in both units', () => {
    for (const grains of [0, 10, 170]) expect(isPlausible('hardness', 'gpg', grains)).toBe(true)
    for (const grains of [-1, 180]) expect(isPlausible('hardness', 'gpg', grains)).toBe(false)
  })
})
