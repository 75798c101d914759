import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bathDue } from '../bath/index.ts'
import { millilitres, ppm } from '../quantity/index.ts'
import { aimedBand, aimedTarget, checkTarget, icePoint } from '../rules/index.ts'
import {
  leftIn,
  mayPour,
  measureFor,
  stockOf,
  vesselsOf,
  type MeasuringKit,
  type Stated,
  type Supply,
} from '../solution/index.ts'

const kit: MeasuringKit = {
  tools: [{ name: 'beaker', capacity: millilitres(50), graduation: millilitres(1), error: millilitres(0.5) }],
  scales: [{ name: 'scale', graduation: 1, error: 1 }],
  dispensers: [
    { name: 'pump', by: 'stroke', millilitres: millilitres(5) },
    { name: 'tap', by: 'second', millilitres: millilitres(4) },
  ],
}
const use = { range: { lo: 150, hi: 400 }, target: 250 }
const liquid: Supply = { kind: 'strength', stock: ppm(100_000) }

describe('a strength as labels word it', () => {
  // Available chlorine is 70.906 / 74.44 of sodium hypochlorite by mass; the CDC 2008 guideline’s bleach is 5.25 to 6.15 %.
  it.each([
    [{ value: 5.25, as: '% w/v', density: null, counts: 'hypochlorite' }, 50_007.5],
    [{ value: 5.25, as: '% w/v', density: null, counts: 'active' }, 52_500],
    [{ value: 10, as: '% w/w', density: 1.1, counts: 'active' }, 110_000],
    [{ value: 25_000, as: 'ppm', density: null, counts: 'active' }, 25_000],
  ] as const satisfies [Stated, number][])('%j is %d mg/L', (stated, expected) =>
    expect(stockOf(stated)).toBeCloseTo(expected, 0),
  )
  it.each([
    [{ value: 10, as: '% w/w', density: null, counts: 'active' }, 'density_missing'],
    [{ value: 0, as: '% w/v', density: null, counts: 'active' }, 'stock_too_weak'],
    [{ value: 101, as: '% w/v', density: null, counts: 'active' }, 'stock_too_weak'],
  ] as const satisfies [Stated, string][])('refuses %j: %s', (stated, code) =>
    expect(() => stockOf(stated)).toThrow(expect.objectContaining({ code })),
  )
})

describe('a mix measured out', () => {
  it('pours, pumps and times a liquid', () => {
    const m = measureFor(liquid, use, millilitres(4000), kit)
    if (m.kind !== 'pour') throw new Error('not poured')
    expect(m.mix.pours[0]?.shown).toBe(10)
    expect(m.delivered.map((d) => [d.count, d.holds])).toEqual([
      [2, true],
      [2.5, true],
    ])
  })
  it('weighs a powder: 35 % available chlorine to 0.5 % is 14.3 g/L (WHO/CDC formula)', () => {
    const m = measureFor(
      { kind: 'powder', active: 0.35 },
      { range: { lo: 4000, hi: 6000 }, target: 5000 },
      millilitres(1000),
      kit,
    )
    if (m.kind !== 'weigh') throw new Error('not weighed')
    expect(m.weighed[0]?.shown).toBe(14)
    expect(m.weighed[0]?.strength).toEqual({ lo: 4550, hi: 5250 })
    expect(m.weighed[0]?.holds).toBe(true)
  })
  it('without a scale cannot tell what the rounding makes', () => {
    const m = measureFor({ kind: 'powder', active: 0.35 }, use, millilitres(1000), { ...kit, scales: [] })
    expect(m).toMatchObject({ weighed: [{ scale: null, holds: null, strength: null }] })
  })
  it('weighs by the litre where the label says so, and claims no strength', () => {
    const m = measureFor(
      { kind: 'grams-per-litre', grams: 10 },
      { range: null, target: null },
      millilitres(2500),
      kit,
    )
    expect(m).toMatchObject({ weighed: [{ shown: 25, strength: null, holds: null }] })
  })
  it('counts whole and half pieces, and tells the water that fits them', () => {
    const m = measureFor(
      { kind: 'pieces', active: 750, mayBeHalved: true },
      { range: { lo: 50, hi: 150 }, target: 100 },
      millilitres(38_000),
      kit,
    )
    if (m.kind !== 'pieces') throw new Error('not counted')
    expect(m.choice.inVolume).toMatchObject({ pieces: 5, strength: expect.closeTo(98.7, 1) })
    expect(m.choice.exact.water).toBeCloseTo(37_500, 6)
    expect(m.holds).toBe(true)
  })
  it('says so where whole pieces miss the band', () => {
    const m = measureFor(
      { kind: 'pieces', active: 750, mayBeHalved: false },
      { range: { lo: 50, hi: 150 }, target: 100 },
      millilitres(1000),
      kit,
    )
    expect(m).toMatchObject({ holds: false })
  })
  it('never claims to hold what the marks and the error could miss', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 0.9, noNaN: true }),
        fc.integer({ min: 200, max: 60_000 }),
        (active, total) => {
          const m = measureFor({ kind: 'powder', active }, use, millilitres(total), kit)
          if (m.kind !== 'weigh') return false
          return m.weighed.every((w) => {
            const least = ((w.shown - (w.scale?.error ?? 0)) * active * 1e6) / total
            const most = ((w.shown + (w.scale?.error ?? 0)) * active * 1e6) / total
            return w.holds === (least >= use.range.lo && most <= use.range.hi)
          })
        },
      ),
    )
  })
})

describe('a vessel', () => {
  it('takes its volume from the data plate, and is none where a number is missing', () => {
    expect(vesselsOf('bucket', { bucket: 4000, bucketHolds: 6000 })).toEqual([
      { volume: 4000, holds: 6000, use: 'cloths' },
    ])
    expect(vesselsOf('bucket', { bucket: 4000 })).toEqual([])
    expect(vesselsOf('grinder', {})).toEqual([])
  })
  it.each([
    ['empty', null, 'empty'],
    ['rinse', null, 'water'],
    ['detergent', null, 'detergent'],
    ['unknown', null, null],
    ['sanitizer', null, null],
    ['empty', 'quat', 'quat'],
  ] as const)('left %s with %s: %s', (contents, last, expected) =>
    expect(leftIn(contents, last)).toBe(expected),
  )
  it('with its last bath still in it is no place for another product', () => {
    const inside = leftIn('empty', 'hypochlorite')
    expect(inside && mayPour('acid', [inside])).toMatchObject({ may: false, clash: { danger: true } })
  })
})

describe('when a bath is due', () => {
  const hour = 3_600_000
  const read = (at: number, verdict: 'in' | 'out') => ({ at: at * hour, strength: null, verdict })
  it.each([
    [{ mixedAt: 0, lastReading: null }, 0, 'never-tested'],
    [{ mixedAt: 0, lastReading: read(1, 'out') }, 1, 'not-in'],
    [{ mixedAt: 0, lastReading: read(0.5, 'in') }, 2.5, 'age'],
    [{ mixedAt: 0, lastReading: read(3, 'in') }, 4, 'change'],
  ] as const)('%j: tested by %d h, %s', (bath, hours, why) =>
    expect(bathDue(bath)).toEqual({ testBy: hours * hour, useBy: 4 * hour, why }),
  )
  it('by the site’s own hours', () =>
    expect(bathDue({ mixedAt: 0, lastReading: null }, { testHours: 1, changeHours: 3 }).useBy).toBe(3 * hour))
})

// FDA Food Code 2022, 4-203.11: food thermometers to 1 °C (2 °F).
describe('the ice point', () => {
  it.each([
    [1, '°C', 'in'],
    [1.1, '°C', 'out'],
    [-1, '°C', 'in'],
    [34, '°F', 'in'],
    [34.1, '°F', 'out'],
    [29.9, '°F', 'out'],
  ] as const)('%d %s: %s', (read, unit, verdict) => expect(icePoint(read, unit).verdict).toBe(verdict))
})

// Common practice, no source: the schools of sites.
describe('what crew aim at', () => {
  it('lies inside the label’s band, or is the label’s own', () => {
    const use = { id: 'cloths', range: { lo: 150, hi: 400 }, target: 250 }
    expect(aimedBand('quat', use, { quat: 'two-hundred' })).toEqual({ lo: 200, hi: 200 })
    expect(aimedTarget('quat', use, { quat: 'two-hundred' }, null)).toBe(200)
    expect(aimedTarget('quat', use, {}, null)).toBe(250)
    expect(aimedBand('other', use, {})).toBeNull()
    expect(aimedBand('quat', { ...use, range: null }, { quat: 'wide' })).toBeNull()
  })
  it('100 ppm is for frozen-dessert machines alone', () => {
    const range = { lo: 50, hi: 200 }
    const aim = (id: string) =>
      aimedTarget('chlorine', { id, range, target: 150 }, { chlorine: 'hundred' }, null)
    expect(aim('frozen-dessert')).toBe(100)
    expect(aim('cloths')).toBe(150)
  })
  it('moves to a block that the strip at hand can show to be in', () => {
    const strip = { blocks: [0, 50, 100, 150, 200], unit: 'ppm' as const }
    const use = { id: 'frozen-dessert', range: { lo: 100, hi: 200 }, target: 120 }
    // "Matches 100" is 75 to 125: never wholly within 100 to 200.
    expect(aimedTarget('chlorine', use, { chlorine: 'hundred' }, strip)).toBe(150)
    // 120 lies between two blocks that are both inside: "between 100 and 150" passes.
    expect(aimedTarget('chlorine', use, {}, strip)).toBe(120)
  })
})

describe('a target is refused', () => {
  const use = { range: { lo: 150, hi: 400 }, rinseAfter: false }
  it.each([
    ['quat', 401, 'target_over_label'],
    ['quat', 149, 'target_under_label'],
    ['chlorine', 201, 'target_needs_rinse'],
  ])('%s at %d ppm: %s', (agent, target, code) => {
    expect(() => checkTarget(agent, use, target)).toThrow(expect.objectContaining({ code }))
  })
  it('in words that name the limit', () => {
    expect(() => checkTarget('quat', use, 401)).toThrow('no more than 400 ppm')
  })
  it('but not within the label, nor over 200 ppm of chlorine where the label asks for a rinse', () => {
    expect(() => checkTarget('quat', use, 400)).not.toThrow()
    expect(() => checkTarget('chlorine', { ...use, rinseAfter: true }, 300)).not.toThrow()
  })
})
