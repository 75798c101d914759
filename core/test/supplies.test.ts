import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { instant, interval, millilitres, ppm, ppmFromPercentWv, within } from '../quantity/index.ts'
import * as solution from '../solution/index.ts'

describe('powder', () => {
  it('with 35 % available chlorine to 0.5 % is 14.3 g a litre (WHO/CDC chlorine-solution formula)', () => {
    expect(solution.powderDose(0.35, ppmFromPercentWv(0.5), millilitres(1000))).toBeCloseTo(14.3, 1)
  })
  it('goes with the volume and the strength', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 500 }), fc.integer({ min: 100, max: 50_000 }), (mgL, mL) => {
        const one = solution.powderDose(0.5, ppm(mgL), millilitres(mL))
        const double = solution.powderDose(0.5, ppm(mgL), millilitres(2 * mL))
        return (
          Math.abs(double - 2 * one) < 1e-9 * double && Math.abs((one * 0.5 * 1e6) / mL - mgL) < 1e-6 * mgL
        )
      }),
    )
  })
  it.each([
    ['with no active agent', 0, 100, 1000, 'stock_too_weak'],
    ['with more than itself', 1.1, 100, 1000, 'stock_too_weak'],
    ['that is not known', Number.NaN, 100, 1000, 'not_a_number'],
    ['for nothing', 0.5, 0, 1000, 'target_is_zero'],
    ['for no water', 0.5, 100, 0, 'volume_is_zero'],
  ])('%s is refused', (_, active, target, mL, code) => {
    expect(() => solution.powderDose(active, ppm(target), millilitres(mL))).toThrow(
      expect.objectContaining({ code }),
    )
  })
})

describe('tablets and sachets', () => {
  const tablet = { active: 1000, mayBeHalved: true }
  it('come whole or half: either the strength gives or the volume (arithmetic)', () => {
    const choice = solution.pieceDose(tablet, ppm(150), millilitres(8000))
    expect(choice.inVolume).toEqual({ pieces: 1, water: 8000, strength: 125 })
    expect(choice.exact.pieces).toBe(1)
    expect(choice.exact.water).toBeCloseTo(6666.7, 1)
  })
  it('that may not be halved are counted whole', () => {
    const half = solution.pieceDose(tablet, ppm(100), millilitres(5000))
    const whole = solution.pieceDose({ ...tablet, mayBeHalved: false }, ppm(100), millilitres(5000))
    expect([half.inVolume.pieces, whole.inVolume.pieces]).toEqual([0.5, 1])
  })
  it('in the exact volume give the strength asked for, whatever was asked', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 5000 }),
        fc.integer({ min: 10, max: 500 }),
        fc.integer({ min: 100, max: 90_000 }),
        (active, mgL, mL) => {
          const { exact } = solution.pieceDose({ active, mayBeHalved: false }, ppm(mgL), millilitres(mL))
          return (
            Number.isInteger(exact.pieces) &&
            Math.abs((exact.pieces * active * 1000) / exact.water - mgL) < 1e-6 * mgL
          )
        },
      ),
    )
  })
  it('without active agent are refused', () => {
    expect(() => solution.pieceDose({ active: 0, mayBeHalved: true }, ppm(1), millilitres(1))).toThrow()
  })
})

describe('dispensers', () => {
  it('give whole strokes, and the strength that those make', () => {
    const dose = solution.strokeDose(millilitres(10), millilitres(22.8), millilitres(3777), ppm(25_000))
    expect(dose).toMatchObject({ strokes: 2, delivered: 20 })
    expect(dose.strength).toBeCloseTo(131.7, 1)
  })
  it('timed, are held for the dose over the flow', () => {
    expect(solution.flowTime(millilitres(4), millilitres(22))).toBeCloseTo(5.5, 9)
    expect(() => solution.flowTime(millilitres(0), millilitres(1))).toThrow()
  })
  it('checked in a cylinder, are in or out of the band', () => {
    const band = interval(150, 400)
    expect(solution.checkDispenser(millilitres(60), millilitres(75), ppm(250), band)).toMatchObject({
      ratio: 0.8,
      strength: 200,
      verdict: 'in',
    })
    expect(solution.checkDispenser(millilitres(40), millilitres(75), ppm(250), band).verdict).toBe('out')
  })
  it('that weaken check by check are told when they will leave the band', () => {
    const drift = solution.dispenserDrift([1, 0.96, 0.92, 0.88, 0.84], ppm(200), interval(150, 400))
    expect(drift?.perCheck).toBeCloseTo(-0.04, 9)
    expect(drift?.leavesIn).toBeGreaterThan(0)
    expect(drift?.leavesIn).toBeLessThan(6)
  })
  it('that stay are told nothing, and without a check there is nothing to tell', () => {
    expect(solution.dispenserDrift([1, 1, 1, 1], ppm(200), interval(150, 400))).toEqual({
      level: 1,
      perCheck: 0,
      leavesIn: null,
    })
    expect(solution.dispenserDrift([], ppm(200), interval(150, 400))).toBeNull()
  })
})

describe('topping up', () => {
  it('20 L at 100 ppm to 40 L at 200 with 10 % stock takes 60 mL (mass balance)', () => {
    const up = solution.topUp(
      millilitres(20_000),
      interval(100, 100),
      millilitres(40_000),
      ppm(100_000),
      ppm(200),
      { lo: 150, hi: 400 },
    )
    expect(up.concentrate).toBeCloseTo(60, 9)
    expect(up).toMatchObject({ safe: true })
  })
  it('is safe only where the whole reading comes into the band', () => {
    const cases = fc.record({
      volume: fc.integer({ min: 1000, max: 20_000 }),
      more: fc.integer({ min: 500, max: 20_000 }),
      lo: fc.integer({ min: 0, max: 300 }),
      width: fc.integer({ min: 0, max: 200 }),
      at: fc.double({ min: 0, max: 1, noNaN: true }),
    })
    fc.assert(
      fc.property(cases, ({ volume, more, lo, width, at }) => {
        const to = volume + more
        const up = solution.topUp(
          millilitres(volume),
          interval(lo, lo + width),
          millilitres(to),
          ppm(50_000),
          ppm(200),
          { lo: 150, hi: 400 },
        )
        const becomes = ((lo + width * at) * volume + 50_000 * up.concentrate) / to
        const balanced = Math.abs(volume + up.concentrate + up.water - to) < 1e-6
        return (
          balanced &&
          within(
            interval(becomes, becomes),
            interval((up.after.lo ?? 0) - 1e-6, (up.after.hi ?? 0) + 1e-6),
          ) &&
          (!up.safe || (becomes >= 150 - 1e-6 && becomes <= 400 + 1e-6))
        )
      }),
    )
  })
  it('to less than is in it, or with stock too weak, is refused', () => {
    const up = (to: number, stock: number) =>
      solution.topUp(millilitres(5000), interval(100, 100), millilitres(to), ppm(stock), ppm(200), {
        lo: 150,
        hi: 400,
      })
    expect(() => up(5000, 50_000)).toThrow(expect.objectContaining({ code: 'vessel_too_small' }))
    expect(() => up(6000, 200)).toThrow(expect.objectContaining({ code: 'stock_too_weak' }))
  })
})

describe('what must not meet (labels and safety data sheets; no single source)', () => {
  it.each([
    ['acid', 'hypochlorite', 'toxic-gas', true],
    ['ammonia', 'hypochlorite', 'toxic-gas', true],
    ['quat', 'hypochlorite', 'toxic', true],
    ['quat', 'detergent', 'inactive', false],
    ['acid', 'quat', 'react', false],
    ['acid', 'detergent', 'neutralised', false],
  ] as const)('%s and %s: %s', (a, b, effect, danger) => {
    expect(solution.clashOf(a, b)).toMatchObject({ effect, danger })
    expect(solution.clashOf(b, a)).toEqual(solution.clashOf(a, b))
  })
  it('what is still in the vessel counts', () => {
    expect(solution.mayPour('quat', ['water', 'empty'])).toEqual({ may: true })
    expect(solution.mayPour('quat', ['detergent'])).toMatchObject({ may: false, why: 'clash' })
    expect(solution.mayPour('hypochlorite', ['water', 'acid'])).toMatchObject({
      clash: { effect: 'toxic-gas' },
    })
  })
  it('unknown contents, and more of the same to make it stronger: no', () => {
    expect(solution.mayPour('quat', ['unknown'])).toEqual({ may: false, why: 'unknown-contents' })
    expect(solution.mayPour('quat', ['quat'])).toEqual({ may: false, why: 'same-product-stronger' })
  })
})

describe('a concentrate that ages', () => {
  const day = 86_400_000
  const age = (change: Partial<solution.ConcentrateAge>): solution.ConcentrateAge => ({
    openedAt: instant(0),
    bestBefore: null,
    daysOnceOpen: null,
    ...change,
  })
  const warn = (a: solution.ConcentrateAge, days: number, hypochlorite = false) =>
    solution.concentrateWarnings(a, hypochlorite, 21, instant(days * day))
  it('hypochlorite keeps about four fifths of its strength in a year at 21 °C, less where it is warm (from memory)', () => {
    expect(solution.hypochloriteKept(365, 21)).toBeCloseTo(0.8, 9)
    expect(solution.hypochloriteKept(365, 31)).toBeCloseTo(0.64, 9)
    expect(solution.hypochloriteKept(-5, 21)).toBe(1)
  })
  it.each([
    ['past its date', age({ bestBefore: instant(day) }), 2, false, ['past-best-before']],
    ['open too long', age({ daysOnceOpen: 30 }), 31, false, ['open-too-long']],
    ['without any date', age({ openedAt: null }), 1, false, ['date-missing']],
    ['hypochlorite half a year open', age({}), 200, true, ['weakens']],
    ['fresh', age({ daysOnceOpen: 30, bestBefore: instant(99 * day) }), 3, true, []],
  ] as const)('%s', (_, a, days, hypochlorite, warnings) =>
    expect(warn(a, days, hypochlorite)).toEqual(warnings),
  )
})
