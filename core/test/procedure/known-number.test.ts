import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { findProcedure, latestProcedure, readVerdict, stepsOf, type Step } from '../../procedure/index.ts'
import { knownNumber, numberOf } from '../../procedure/parameter.ts'
import { freshDose, supplyByTable } from '../../solution/index.ts'

const number = fc.double({ min: 0, max: 500, noNaN: true })

describe('a number of the plate', () => {
  it('is so many times it, less another; what lacks either is not known', () => {
    fc.assert(
      fc.property(number, number, fc.double({ min: 0.1, max: 5, noNaN: true }), (a, b, times) => {
        const p = { of: 'a', times, less: 'b' }
        expect(knownNumber(p, { a, b })).toBe(a * times - b)
        expect(knownNumber(p, { a })).toBeUndefined()
        expect(knownNumber(p, { b })).toBeUndefined()
        expect(() => numberOf(p, { a })).toThrow()
      }),
    )
  })
  it('stands in for another only where the plate lacks that one', () => {
    const p = { of: 'a', else: { of: 'b' } }
    expect([knownNumber(p, { a: 1, b: 2 }), knownNumber(p, { b: 2 }), knownNumber(p, {})]).toEqual([
      1,
      2,
      undefined,
    ])
  })
})

// Common practice, no source: the booster's plate says its least feed, or by how much it lifts.
describe('the water that feeds a booster', () => {
  const feed = stepsOf(latestProcedure('dish-machine.open')?.nodes ?? []).find(
    (s) => s.id === 'feed',
  ) as Step & {
    kind: 'read'
  }
  it.each([
    ['43 °C for one that lifts by 39 K to 82 °C', { rinseC: 82, boosterRise: 39 }, 43, 'in'],
    ['less is out', { rinseC: 82, boosterRise: 39 }, 42.9, 'out'],
    ['60 °C for one that lifts by 22 K', { rinseC: 82, boosterRise: 22 }, 59, 'out'],
    ['its own least feed goes before', { rinseC: 82, boosterRise: 39, feedC: 50 }, 45, 'out'],
    ['a plate that says neither: nobody can tell', { rinseC: 82 }, 80, 'cannot-tell'],
    ['a rise without a rinse: nobody can tell', { boosterRise: 39 }, 80, 'cannot-tell'],
  ] as const)('%s', (_, plate, celsius, verdict) => {
    expect(readVerdict(feed, celsius, plate)).toBe(verdict)
  })
})

describe('cleaner by the table of an ice machine', () => {
  const liquid = { kind: 'ratio', parts: 100, meaning: 'to' } as const
  it('goes by the label where the table says nothing, and for what is no liquid', () => {
    expect(supplyByTable(liquid, undefined, 9000)).toBeNull()
    expect(supplyByTable({ kind: 'grams-per-litre', grams: 5 }, 150, 9000)).toBeNull()
  })
  it('is that volume, whatever the label says', () => {
    fc.assert(
      fc.property(fc.double({ min: 5, max: 2000, noNaN: true }), (amount) => {
        const supply = supplyByTable(liquid, amount, 9000)
        if (!supply) throw new Error('no supply')
        const dose = freshDose(supply, null, 9000 as never)
        expect(dose.concentrate).toBeCloseTo(amount, 6)
        expect(dose.concentrate + dose.water).toBeCloseTo(9000, 6)
      }),
    )
  })
  it('that leaves no water is refused', () => {
    expect(() => supplyByTable(liquid, 9000, 9000)).toThrow()
    expect(() => supplyByTable(liquid, 0, 9000)).toThrow()
  })
  it('is no number that a run waits for: without it the label decides', () => {
    const mix = stepsOf(latestProcedure('ice-cube.half-year')?.nodes ?? []).find(
      (s) => s.id === 'cleaner-mix',
    )
    expect(mix).toMatchObject({ amount: { of: 'cleanerCycle' } })
    expect(findProcedure('ice-cube.half-year', 3)?.parameters).not.toHaveProperty('cleanerCycle')
  })
})
