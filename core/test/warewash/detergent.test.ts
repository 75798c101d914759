import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  doseState,
  fedState,
  handDosePlan,
  leftAfter,
  leftByARack,
  meteredState,
  mixedFirst,
  racksUntilBelow,
} from '../../warewash/index.ts'

/** The trade's worked example: a tank of 40 L, 3 L of rinse a rack. */
const tank = { volume: 40_000, rinseWater: 3000 }

describe('detergent in the tank, closed form', () => {
  it('0.925 a rack where the rinse displaces, 0.930 where it mixes first; 0.459 after ten', () => {
    expect(leftByARack(tank)).toBeCloseTo(0.925, 3)
    expect(mixedFirst(tank)).toBeCloseTo(0.93, 3)
    expect(leftAfter(tank, 10)).toBeCloseTo(0.459, 3)
  })
  it('below half after nine racks', () => {
    expect(racksUntilBelow(tank, 0.5)).toBe(9)
    expect(leftAfter(tank, 8)).toBeGreaterThan(0.5)
    expect(leftAfter(tank, 9)).toBeLessThan(0.5)
  })
  it.each([
    [tank, 1.2, 0],
    [tank, 0, null],
    [{ volume: 40_000, rinseWater: 0 }, 0.5, null],
    [{ volume: 1000, rinseWater: 1000 }, 0.5, 1],
  ])('at the ends: %j below %d', (t, fraction, racks) => expect(racksUntilBelow(t, fraction)).toBe(racks))
  it('is the same as rack by rack, whatever the tank', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 5000, max: 200_000 }),
        fc.integer({ min: 1, max: 5000 }),
        fc.integer({ min: 1, max: 60 }),
        (volume, rinseWater, racks) => {
          let c = 1
          for (let i = 0; i < racks; i++) c -= (c * Math.min(rinseWater, volume)) / volume
          expect(leftAfter({ volume, rinseWater }, racks)).toBeCloseTo(c, 9)
        },
      ),
    )
  })
  it('a tank of nothing is refused', () =>
    expect(() => leftByARack({ volume: 0, rinseWater: 1 })).toThrow('volume must be above zero'))
})

describe('dosing by hand', () => {
  it('says grams at fill, and grams every few racks', () => {
    // 40 L at 2 g/L; no less than 1.5: 0.75 holds for three racks (0.925³ = 0.791).
    expect(handDosePlan(tank, { lo: 1.5, hi: 3, target: 2 })).toMatchObject({
      atFill: 80,
      everyRacks: 3,
      grams: 17,
    })
  })
  it('keeps the tank in the band through a long day', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 20_000, max: 150_000 }),
        fc.integer({ min: 500, max: 4000 }),
        fc.double({ min: 0.5, max: 0.95, noNaN: true }),
        (volume, rinseWater, share) => {
          const band = { lo: 2 * share, hi: 3, target: 2 }
          const plan = handDosePlan({ volume, rinseWater }, band)
          // A tank that loses less than a gram can be measured, or more than the band is wide, has no plan.
          if (!plan) return
          let c = 2
          for (let rack = 1; rack <= 300; rack++) {
            c *= leftByARack({ volume, rinseWater })
            expect(c).toBeGreaterThanOrEqual(band.lo - 1e-9)
            if (rack % plan.everyRacks === 0) c += plan.grams / (volume / 1000)
            expect(c).toBeLessThanOrEqual(band.hi + 1e-9)
          }
        },
      ),
    )
  })
  it('finds one for the tanks there are', () => {
    for (const volume of [20_000, 40_000, 60_000, 150_000])
      for (const rinseWater of [1500, 3000, 4000])
        if (leftByARack({ volume, rinseWater }) > 0.8)
          expect(handDosePlan({ volume, rinseWater }, { lo: 1.6, hi: 3, target: 2 })).not.toBeNull()
  })
  it('says nothing where no dose by hand could keep it', () =>
    expect(handDosePlan({ volume: 8000, rinseWater: 4000 }, { lo: 1.5, hi: 3, target: 2 })).toBeNull())
  it('looks no further than the racks of a day, however little of a tank each takes', () => {
    const band = { lo: 1, hi: 3, target: 2 }
    const plan = handDosePlan({ volume: 40_000, rinseWater: 0.001 }, band)
    expect(plan === null || plan.everyRacks <= 5000).toBe(true)
    // A band that nothing meets: what is looked through is bounded, not the billions of racks until it is used up.
    expect(handDosePlan({ volume: 1e10, rinseWater: 0.001 }, { lo: 1, hi: 0.5, target: 2 })).toBeNull()
  })
})

describe('the feed, by conductivity', () => {
  const clear = (n: number) => Array.from({ length: n }, (_, i) => 2 * 0.925 ** i)
  it.each([
    ['near its set point', [2, 1.95, 2.02, 1.9], 'kept'],
    ['as clear water makes it fall', clear(7), 'empty'],
    ['falling, though not as fast', [1.9, 1.85, 1.8, 1.75, 1.7, 1.65], 'sinking'],
    ['two readings', [2, 1], 'cannot-tell'],
    ['not read', [null, null, null, 2], 'cannot-tell'],
  ] as const)('%s: %j is %s', (_, racks, state) => expect(doseState(tank, 2, racks)).toBe(state))
})

describe('the feed, by its meter', () => {
  const fed = (...spans: [number, number][]) =>
    spans.map(([racks, millilitres], at) => ({ product: 'soap', at, racks, millilitres }))
  it.each([
    ['as ever', fed([10, 60], [10, 61], [10, 59]), 'kept'],
    ['nothing for six racks', fed([10, 60], [10, 60], [4, 0], [3, 0]), 'empty'],
    ['nothing for four racks', fed([10, 60], [10, 60], [10, 60], [4, 0]), 'kept'],
    ['less than half of the usual', fed([10, 60], [10, 60], [8, 20]), 'sinking'],
    ['too few racks', fed([3, 18]), 'cannot-tell'],
    ['the first racks that it counts', fed([8, 20]), 'kept'],
    ['no racks at all, and nothing drawn', fed([0, 0], [0, 0]), 'cannot-tell'],
  ] as const)('%s is %s', (_, spans, state) => expect(meteredState(spans)).toBe(state))
  it('and conductivity: the worse of both, where both can tell', () => {
    expect(fedState('kept', 'empty')).toBe('empty')
    expect(fedState('cannot-tell', 'kept')).toBe('kept')
    expect(fedState('cannot-tell', 'cannot-tell')).toBe('cannot-tell')
  })
})
