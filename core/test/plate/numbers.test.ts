import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { allProcedures } from '../../procedure/index.ts'
import {
  dishNumbers,
  plateFaults,
  plateNumber,
  plateNumbers,
  typedIn,
  type PlateNumber,
} from '../../plate/index.ts'

const numbers = Object.entries<PlateNumber>(plateNumbers)

describe('the catalogue of plate numbers', () => {
  it('has every number that a shipped procedure asks for, in the unit that it asks in', () => {
    for (const p of allProcedures())
      for (const [name, unit] of Object.entries(p.parameters))
        expect([name, plateNumber(name)?.unit]).toEqual([name, unit])
  })
  it('has none that nobody reads: a procedure asks for it, or the dish room does', () => {
    const asked = new Set([...allProcedures().flatMap((p) => Object.keys(p.parameters)), ...dishNumbers])
    expect(numbers.map(([name]) => name).filter((name) => !asked.has(name))).toEqual([])
  })
  it('knows what holds what: both ends are in it, and what holds can be as large as what is held', () => {
    for (const [name, { within, can }] of numbers) {
      if (within === undefined) continue
      const other = plateNumber(within)
      expect(other?.can.hi, name).toBeGreaterThanOrEqual(can.hi)
      expect(other?.can.lo, name).toBeLessThanOrEqual(can.hi)
    }
  })
  it('takes a site’s own number by the unit that its procedure declares, and none that nobody declares', () => {
    expect(plateNumber('beakers', 'mL')).toMatchObject({ unit: 'mL', readBy: ['procedure'] })
    expect(plateNumber('beakers')).toBeNull()
    expect(plateNumber('beakers', 'furlong')).toBeNull()
    expect(plateNumber('constructor')).toBeNull()
  })
})

describe('a number that cannot be', () => {
  it.each([
    ['a final rinse of 900 °C', { rinseC: 900 }, 'rinseC'],
    ['a bucket of a spoonful', { bucket: 4 }, 'bucket'],
    ['a sink of a bathtub’s size tenfold', { compartment: 3_800_000 }, 'compartment'],
    ['a thousand barrels', { barrels: 1000 }, 'barrels'],
    ['a mix larger than its pail', { rinse: 12_000, pailHolds: 10_000 }, 'rinse'],
    ['a least pressure above the greatest', { pressureLow: 200, pressureHigh: 100 }, 'pressureLow'],
    ['a dose aimed at above the most', { doseTarget: 4, doseHigh: 3 }, 'doseTarget'],
  ])('is told: %s', (_, parameters, name) =>
    expect(plateFaults(parameters).map((f) => f.name)).toEqual([name]),
  )
  it('is not told of a plate as they are, nor of what the catalogue does not know', () =>
    expect(plateFaults({ rinse: 3800, pailHolds: 10_000, washC: 66, rinseC: 82, beakers: -4 })).toEqual([]))
  it('both ends can be, and nothing beyond', () => {
    for (const [name, { can, within }] of numbers) {
      const other = within ? { [within]: can.hi } : {}
      const faults = (value: number) =>
        plateFaults({ ...other, [name]: value }).filter((f) => f.name === name)
      expect(faults(can.lo), name).toEqual([])
      expect(faults(can.hi), name).toEqual([])
      expect(faults(can.lo - 0.001), name).toMatchObject([{ because: 'range', can }])
      expect(faults(can.hi + 0.001), name).toMatchObject([{ because: 'range', can }])
    }
  })
})

describe('a number as it is typed', () => {
  // Worked by hand: 1 US gal = 3785.411784 mL, 1 fl oz = 29.5735295625 mL (NIST Handbook 44, appendix C); 1 psi = 6.894757 kPa (NIST SP 811).
  it.each([
    ['compartment', 'us', 37_854.11784, 10, 'gal'],
    ['compartment', 'metric', 38_000, 38, 'L'],
    ['bottle', 'us', 946.352946, 32, 'fl oz'],
    ['bottle', 'metric', 750, 750, 'mL'],
    ['rinseC', 'us', 82.22222, 180, '°F'],
    ['probeC', 'us', 0.5, 0.9, '±°F'],
    ['pressureLow', 'us', 137.89514, 20, 'psi'],
    ['probeKPa', 'us', 6.894757, 1, '±psi'],
    ['doseTarget', 'us', 7.489152, 1, 'oz/gal'],
    ['doseTarget', 'metric', 2, 2, 'g/L'],
    ['sanitize', 'us', 5, 5, 'min'],
    ['barrels', 'us', 2, 2, ''],
  ] as const)('%s on a site in %s units: %d is %d %s', (name, system, kept, shown, unit) => {
    const typed = typedIn(plateNumbers[name], system)
    expect(typed.unit).toBe(unit)
    expect(typed.shown(kept)).toBeCloseTo(shown, 4)
    expect(typed.kept(shown)).toBeCloseTo(kept, 3)
  })
  it('comes back as it was, whatever the number and the units', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...numbers),
        fc.constantFrom('us' as const, 'metric' as const),
        fc.double({ min: 0, max: 1, noNaN: true }),
        ([, number], system, at) => {
          const value = number.can.lo + at * (number.can.hi - number.can.lo)
          const typed = typedIn(number, system)
          expect(typed.kept(typed.shown(value))).toBeCloseTo(value, 6)
        },
      ),
    ))
})
