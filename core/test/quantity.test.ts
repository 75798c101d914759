import convert from 'convert-units'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import * as q from '../quantity/index.ts'
import { Refusal } from '../refusal/index.ts'

const near = (a: number, b: number) => Math.abs(a - b) <= 1e-9 * Math.max(1, Math.abs(a), Math.abs(b))
/** The names that the package convert-units (the oracle) has for ours. */
const oracle = {
  mL: 'ml',
  L: 'l',
  tsp: 'tsp',
  tbsp: 'Tbs',
  'fl oz': 'fl-oz',
  cup: 'cup',
  pt: 'pnt',
  qt: 'qt',
  gal: 'gal',
} as const

describe('units of volume', () => {
  it('agree with the package convert-units to the four figures that it carries', () => {
    for (const unit of q.volumeUnits) {
      const ours = q.volumeFrom(1, unit)
      const theirs = convert(1).from(oracle[unit]).to('ml')
      expect(Math.abs(ours - theirs) / theirs).toBeLessThan(2e-4)
    }
  })
  it('round-trip', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1e6, noNaN: true }),
        fc.constantFrom(...q.volumeUnits),
        (v, unit) => near(q.volumeIn(q.volumeFrom(v, unit), unit), v),
      ),
    )
  })
  it('a US gallon is 231 cubic inches (NIST Handbook 44, appendix C)', () => {
    expect(q.volumeFrom(1, 'gal')).toBeCloseTo(231 * 2.54 ** 3, 9)
  })
})

describe('temperatures', () => {
  it('agree with convert-units and round-trip', () => {
    fc.assert(
      fc.property(fc.double({ min: -200, max: 400, noNaN: true }), (c) => {
        const f = q.toFahrenheit(q.celsius(c))
        return near(f, convert(c).from('C').to('F')) && near(q.toCelsius(f), c)
      }),
    )
  })
  it('in US units are shown in whole degrees', () => {
    expect(q.showTemperature(49, 'us')).toEqual({ value: '120', unit: '°F' })
  })
})

describe('strengths', () => {
  it('1 % w/v is 10 000 mg/L, and w/w counts the density', () => {
    expect(q.ppmFromPercentWv(1)).toBe(10_000)
    expect(q.ppmFromPercentWw(10, 1.2)).toBeCloseTo(120_000, 6)
  })
  it('available chlorine of sodium hypochlorite is 0.9525 of it (Cl2 70.906 / NaOCl 74.44)', () => {
    expect(q.availableChlorine(q.ppm(10_000))).toBeCloseTo(9525, 0)
  })
})

describe('what is refused', () => {
  it.each([
    ['a negative volume', () => q.millilitres(-1), 'negative_quantity'],
    ['a strength that is no number', () => q.ppm(Number.NaN), 'not_a_number'],
    ['a temperature below absolute zero', () => q.celsius(-274), 'below_absolute_zero'],
    ['an interval upside down', () => q.interval(2, 1), 'empty_interval'],
    [
      'a temperature without its unit',
      () => q.readingInCelsius({ value: 20, unit: '' as '°C' }),
      'unit_missing',
    ],
  ])('%s', (_, act, code) => {
    expect(act).toThrow(Refusal)
    try {
      act()
    } catch (error) {
      expect((error as Refusal).code).toBe(code)
    }
  })
})

describe('intervals', () => {
  const ends = fc.tuple(fc.integer({ min: -50, max: 50 }), fc.integer({ min: 0, max: 50 }))
  const intervals = ends.map(([lo, width]) => q.interval(lo, lo + width))
  it('are apart exactly where they have nothing in common, and an intersection lies within both', () => {
    fc.assert(
      fc.property(intervals, intervals, (a, b) => {
        const common = q.intersect(a, b)
        if (common === null) return q.apart(a, b)
        return !q.apart(a, b) && q.within(common, a) && q.within(common, b)
      }),
    )
  })
})

describe('how quantities are shown', () => {
  it.each([
    [76.4, 'metric', '76 mL'],
    [3800, 'metric', '3.8 L'],
    [4.2, 'metric', '4.2 mL'],
    [88.7, 'us', '3 fl oz'],
    [7570.8, 'us', '2 gal'],
  ] as const)('%d mL in the %s system is %s', (mL, system, words) => {
    const shown = q.showVolume(mL, system)
    expect(`${shown.value} ${shown.unit}`).toBe(words)
  })
  it.each([
    [245_000, '4:05'],
    [3_905_000, '1:05:05'],
    [-12_000, '+0:12'],
    [0, '0:00'],
  ])('a timer %d ms before its end reads %s', (ms, words) => expect(q.showCountdown(ms)).toBe(words))
  it.each([
    [12, '12 min'],
    [200, '3 h 20'],
    [1680, '1 day 4 h'],
  ])('%d minutes are %s', (minutes, words) => expect(q.showMinutes(minutes)).toBe(words))
})
