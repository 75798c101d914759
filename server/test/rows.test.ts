import fc from 'fast-check'
import type { LoggerSeries } from '@tadka/core/logger'
import { describe, expect, it } from 'vitest'
import { drawingOf, partsOf, unpackPart } from '../logger/rows.ts'

const seriesOf = (rows: readonly (readonly [number, number])[]): LoggerSeries => {
  let at = 1_790_000_000_000
  return {
    at: Float64Array.from(rows, ([step]) => (at += step)),
    columns: [
      { measures: 'ware', values: Float32Array.from(rows, ([, v]) => v) },
      { measures: 'other', values: Float32Array.from(rows, ([, v]) => -v) },
    ],
    doubled: 0,
  }
}
const rows = fc.array(
  fc.tuple(fc.integer({ min: 1, max: 100_000 }), fc.float({ min: -50, max: 150, noNaN: true })),
  { minLength: 1, maxLength: 400 },
)

describe('a logger’s rows, packed', () => {
  it('come back as they were, part by part', () => {
    fc.assert(
      fc.property(rows, (list) => {
        const series = seriesOf(list)
        const parts = partsOf(series)
        const back = parts.map((p) => unpackPart(p.data, 2))
        expect(back.flatMap((b) => [...b.at])).toEqual([...series.at])
        series.columns.forEach((c, k) =>
          expect(back.flatMap((b) => [...(b.columns[k] ?? [])])).toEqual([...c.values]),
        )
        expect([parts[0]?.from, parts.at(-1)?.to]).toEqual([series.at[0], series.at.at(-1)])
      }),
    )
  })
  it('lie in more than one part where they are many', () => {
    const many = seriesOf(Array.from({ length: 20_000 }, (_, i) => [1000, i % 80] as const))
    const parts = partsOf(many)
    expect(parts.length).toBeGreaterThan(2)
    expect(parts.map((p) => unpackPart(p.data, 2).at.length).reduce((a, b) => a + b)).toBe(20_000)
  })
})

describe('a drawing of them', () => {
  it('has the least and the most of each stretch, and loses neither extreme, however few stretches', () => {
    fc.assert(
      fc.property(rows, fc.integer({ min: 1, max: 50 }), (list, stretches) => {
        const series = seriesOf(list)
        const [from, to] = [series.at[0] ?? 0, series.at.at(-1) ?? 0]
        const drawn = drawingOf(partsOf(series), ['ware', 'other'], from, to, stretches)
        const values = [...(series.columns[0]?.values ?? [])]
        const [ware] = drawn.columns
        const told = (of: readonly (number | null)[] | undefined) => (of ?? []).filter((v) => v !== null)
        expect(Math.max(...told(ware?.high))).toBeCloseTo(Math.max(...values), 1)
        expect(Math.min(...told(ware?.low))).toBeCloseTo(Math.min(...values), 1)
        expect(drawn.at.length).toBeLessThanOrEqual(stretches)
        expect(drawn.at.every((at, i) => i === 0 || at > (drawn.at[i - 1] ?? 0))).toBe(true)
      }),
    )
  })
  it('leaves out stretches without rows, and tells what was not read as nothing', () => {
    const series = seriesOf([
      [0, 20],
      [1000, Number.NaN],
      [98_000, 60],
    ])
    const drawn = drawingOf(
      partsOf(series),
      ['ware', 'other'],
      series.at[0] ?? 0,
      (series.at[0] ?? 0) + 99_000,
      100,
    )
    expect(drawn.at).toHaveLength(3)
    expect(drawn.columns[0]?.high).toEqual([20, null, 60])
    expect(drawn.columns[1]?.low).toEqual([-20, null, -60])
  })
  it('draws only what lies between', () => {
    const series = seriesOf([
      [0, 20],
      [1000, 30],
      [1000, 40],
    ])
    const middle = series.at[1] ?? 0
    expect(drawingOf(partsOf(series), ['ware', 'other'], middle, middle, 10).columns[0]?.high).toEqual([30])
  })
})
