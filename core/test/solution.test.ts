import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { interval, millilitres, ppm, ppmFromPercentWv, volumeFrom } from '../quantity/index.ts'
import { Refusal } from '../refusal/index.ts'
import { bestTool, freshDose, mixFor, pourWith, strengthOf, type MeasuringTool } from '../solution/index.ts'

const beaker: MeasuringTool = {
  name: 'beaker',
  capacity: millilitres(50),
  graduation: millilitres(1),
  error: millilitres(0.5),
}
const jug: MeasuringTool = {
  name: 'jug',
  capacity: millilitres(1000),
  graduation: millilitres(50),
  error: millilitres(15),
}

describe('fresh dose', () => {
  // WHO/CDC chlorine-solution formula: parts of water = % stock / % wanted - 1
  it.each([
    [3.5, 0.5, 6],
    [5, 0.5, 9],
    [5, 0.05, 99],
  ])('%d %% stock to %d %% takes %d parts of water to one (WHO/CDC)', (stock, wanted, parts) => {
    const dose = freshDose(
      { kind: 'strength', stock: ppmFromPercentWv(stock) },
      ppmFromPercentWv(wanted),
      millilitres(1000),
    )
    expect(dose.water / dose.concentrate).toBeCloseTo(parts, 9)
  })
  // CDC Guideline for Disinfection and Sterilization in Healthcare Facilities, 2008
  it.each([
    [5.25, 10, 5250],
    [6.15, 10, 6150],
    [5.25, 100, 525],
    [6.15, 100, 615],
    [5.25, 1000, 52.5],
    [6.15, 1000, 61.5],
  ])('%d %% bleach at 1 part in %d is %d ppm (CDC 2008)', (percent, parts, expected) => {
    const dose = freshDose({ kind: 'ratio', parts, meaning: 'in' }, null, millilitres(1000))
    expect(strengthOf(ppmFromPercentWv(percent), dose.concentrate, dose.water)).toBeCloseTo(expected, 6)
  })
  it('"1 to 9" and "1 in 10" are the same, "1 to 10" is not', () => {
    const of = (parts: number, meaning: 'to' | 'in') =>
      freshDose({ kind: 'ratio', parts, meaning }, null, millilitres(1000)).concentrate
    expect(of(9, 'to')).toBeCloseTo(of(10, 'in'), 9)
    expect(of(10, 'to')).toBeLessThan(of(10, 'in'))
  })
  it('a tablespoon of 5.25 % bleach in a US gallon of water is about 204 mg/L (arithmetic)', () => {
    expect(strengthOf(ppmFromPercentWv(5.25), volumeFrom(1, 'tbsp'), volumeFrom(1, 'gal'))).toBeCloseTo(
      204,
      0,
    )
  })
  it('10 % quat to 200 ppm in 10 US gallons is 75.7 mL (arithmetic)', () => {
    const dose = freshDose({ kind: 'strength', stock: ppm(100_000) }, ppm(200), volumeFrom(10, 'gal'))
    expect(dose.concentrate).toBeCloseTo(75.7, 1)
  })
  it('more concentrate never lowers the strength', () => {
    const mL = fc.double({ min: 0.1, max: 1000, noNaN: true })
    fc.assert(
      fc.property(mL, mL, mL, (a, more, water) => {
        const of = (v: number) => strengthOf(ppm(50_000), millilitres(v), millilitres(water))
        return of(a + more) >= of(a)
      }),
    )
  })
  it('is refused where the stock is no stronger than what is wanted, or nothing is wanted', () => {
    const supply = { kind: 'strength', stock: ppm(100) } as const
    expect(() => freshDose(supply, ppm(100), millilitres(1))).toThrow(Refusal)
    expect(() => freshDose(supply, null, millilitres(1))).toThrow(Refusal)
    expect(() => freshDose(supply, ppm(50), millilitres(0))).toThrow(Refusal)
  })
})

describe('the pour', () => {
  it('is rounded to a mark, and tells the strength that rounding and tool give', () => {
    const pour = pourWith(beaker, millilitres(22.8), millilitres(3777), ppm(25_000), interval(100, 200))
    expect(pour.shown).toBe(23)
    expect(pour.strength?.lo).toBeCloseTo(148, 0)
    expect(pour.strength?.hi).toBeCloseTo(154.6, 0)
    expect(pour.holds).toBe(true)
  })
  it('on a jug too coarse for it does not hold the band', () => {
    expect(pourWith(jug, millilitres(22.8), millilitres(3777), ppm(25_000), interval(100, 200)).holds).toBe(
      false,
    )
  })
  it('takes the smallest tool that holds it and keeps the band', () => {
    expect(
      bestTool([jug, beaker], millilitres(22.8), millilitres(3777), ppm(25_000), interval(100, 200))?.tool
        .name,
    ).toBe('beaker')
    expect(
      bestTool([jug, beaker], millilitres(600), millilitres(9400), ppm(2500), interval(100, 200))?.tool.name,
    ).toBe('jug')
    expect(bestTool([], millilitres(1), millilitres(1), null, null)).toBeNull()
  })
  it('in a mix lists every tool that can show it, the best first', () => {
    const use = { range: { lo: 100, hi: 200 }, target: 150 }
    const mix = mixFor({ kind: 'strength', stock: ppm(25_000) }, use, millilitres(3800), [jug, beaker])
    expect(mix.pours.map((p) => p.tool.name)).toEqual(['beaker'])
  })
})
