import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { delimeEvery, fallsBelow, scaleLoad, trendOf, type TrendPoint } from '../../warewash/index.ts'

const line = (slope: number, days: number, bad: Readonly<Record<number, number>> = {}): TrendPoint[] =>
  Array.from({ length: days }, (_, day) => ({
    day,
    value: bad[day] ?? 86 + slope * day + ((day * 7) % 5) / 10 - 0.2,
  }))

describe('the trend of the rinse over days', () => {
  it('is the middle of all slopes, and a few bad days do not turn it', () => {
    expect(trendOf(line(-0.2, 20))?.slope).toBeCloseTo(-0.2, 1)
    expect(trendOf(line(-0.2, 20, { 4: 60, 11: 99, 15: 40 }))?.slope).toBeCloseTo(-0.2, 1)
  })
  it('is none below five days', () => expect(trendOf(line(-1, 4))).toBeNull())
  it('agrees with Sen’s worked ranks: the interval holds the slope', () => {
    const t = trendOf(line(-0.2, 15))
    expect(t && t.slopeLow <= t.slope && t.slope <= t.slopeHigh).toBe(true)
  })
  it('its interval holds the true slope in about nine of ten made-up courses', () => {
    // A fixed generator: the same courses at every run.
    let seed = 7
    const random = () => (seed = (seed * 48271) % 2147483647) / 2147483647
    const bell = () => Math.sqrt(-2 * Math.log(random())) * Math.cos(2 * Math.PI * random())
    let held = 0
    for (let n = 0; n < 300; n++) {
      const t = trendOf(
        Array.from({ length: 14 }, (_, day) => ({ day, value: 86 - 0.15 * day + 0.4 * bell() })),
      )
      if (t && t.slopeLow <= -0.15 && -0.15 <= t.slopeHigh) held++
    }
    expect(held / 300).toBeGreaterThan(0.85)
    expect(held / 300).toBeLessThan(0.97)
  })
})

describe('the day that it will miss', () => {
  const crossing = (points: readonly TrendPoint[], limit: number, margin = 0) => {
    const trend = trendOf(points)
    return trend && fallsBelow(trend, limit, margin)
  }
  it('is where the line meets the limit', () => {
    // 86 - 0.2 a day: 82 on the 20th day, give or take the scatter.
    const found = crossing(line(-0.2, 12), 82)
    expect(found?.day).toBeCloseTo(20, 0)
    expect(found && found.earliest <= found.day && found.day <= (found.latest ?? Infinity)).toBe(true)
  })
  it('comes sooner by the scatter', () =>
    expect(crossing(line(-0.2, 12), 82, 0.4)?.day).toBeLessThan(crossing(line(-0.2, 12), 82)?.day ?? 0))
  it.each([
    ['it does not sink', line(0, 12)],
    ['it rises', line(0.2, 12)],
    ['too far ahead', line(-0.01, 12)],
  ])('is not foretold where %s', (_, points) => expect(crossing(points, 82)).toBeNull())
  it('is today where it misses already', () =>
    expect(crossing(line(-0.5, 12), 82)).toMatchObject({ day: 11 }))
})

describe('scale', () => {
  it('is hardness times litres', () => {
    // 200 mg/L, 3 L a rack: 0.6 g; a kilogram in 1667 racks.
    expect(scaleLoad(200, 3000, 1000, 1000)).toEqual({ grams: 600, racksLeft: 667 })
    expect(scaleLoad(0, 3000, 1000, 1000).racksLeft).toBeNull()
    expect(scaleLoad(200, 3000, 9000, 1000).racksLeft).toBe(0)
  })
  it('its count is tuned by the site’s own intervals, slowly', () => {
    expect(delimeEvery(4000, [])).toBe(4000)
    expect(delimeEvery(4000, [{ racks: 4000, scaleSeen: true }])).toBe(3733)
    expect(delimeEvery(4000, [{ racks: 5000, scaleSeen: false }])).toBe(4333)
    fc.assert(
      fc.property(
        fc.array(fc.record({ racks: fc.integer({ min: 500, max: 9000 }), scaleSeen: fc.boolean() })),
        (all) => {
          const every = delimeEvery(4000, all)
          const ends = [4000, ...all.map((i) => (i.scaleSeen ? i.racks * 0.8 : Math.max(i.racks, 4000)))]
          expect(every).toBeGreaterThanOrEqual(Math.floor(Math.min(...ends)))
          expect(every).toBeLessThanOrEqual(Math.ceil(Math.max(...ends)))
        },
      ),
    )
  })
})
