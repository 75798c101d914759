import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { controlChart, fewestValues } from '../../trend/index.ts'

const chart = (values: readonly number[], finest = 0) =>
  controlChart(
    values.map((value, at) => ({ at, value })),
    finest,
  )
const steady = Array.from({ length: 20 }, (_, i) => (i % 2 === 0 ? 199 : 201))

describe('a control chart of single values', () => {
  // Source: NIST/SEMATECH e-Handbook of Statistical Methods, 6.3.2.2, flow of ten batches: mean 50.81, limits 45.8159 and 55.8041.
  it('has the centre and limits of the published worked example', () => {
    const flow = [49.6, 47.6, 49.9, 51.3, 47.8, 51.2, 52.6, 52.4, 53.6, 52.1]
    const found = chart(flow)
    expect(found?.centre).toBeCloseTo(50.81, 4)
    expect(found?.upper).toBeCloseTo(55.8041, 3)
    expect(found?.lower).toBeCloseTo(45.8159, 3)
    expect(found?.signals).toEqual([])
  })
  it('says nothing of fewer values than set limits', () => {
    expect(chart(Array.from({ length: fewestValues - 1 }, () => 5))).toBeNull()
  })
  it('tells a value outside of its limits', () => {
    expect(chart([...steady, 230])?.signals).toEqual([{ index: 20, rule: 'outside' }])
  })
  it('tells the eighth in a row on one side, and which way it goes; seven are chance', () => {
    const seven = chart([...steady.slice(0, 20), 199, ...Array.from({ length: 7 }, () => 201)])
    expect(seven?.signals).toEqual([])
    const eight = chart([...steady.slice(0, 20), 199, ...Array.from({ length: 8 }, () => 201)])
    expect(eight?.signals).toEqual([{ index: 28, rule: 'run' }])
    expect(eight?.drift).toBe('up')
    expect(chart([...steady, 199, 201])?.drift).toBeNull()
  })
  it('of an instrument that tells no finer sets no limits nearer than what it tells apart', () => {
    const blocks = [...Array.from({ length: 20 }, () => 200), 150]
    expect(chart(blocks)?.signals.map((s) => s.rule)).toEqual(['outside'])
    expect(chart(blocks, 50)?.signals).toEqual([])
    // Mostly one block, now and then the one below: many in a row of the one are no drift.
    const mostly = Array.from({ length: 60 }, (_, i) => (i % 5 === 0 && i < 30 ? 150 : 200))
    expect(chart(mostly, 50)?.signals).toEqual([])
    // A container that runs low is one: block by block below what it was.
    expect(chart([...mostly, ...Array.from({ length: 8 }, () => 150)], 50)?.drift).toBe('down')
  })
  it('moves with its values and signals the same', () => {
    const value = fc.double({ min: 0, max: 1000, noNaN: true })
    fc.assert(
      fc.property(
        fc.array(value, { minLength: 10, maxLength: 60 }),
        fc.integer({ min: -500, max: 500 }),
        (values, by) => {
          const [here, there] = [chart(values), chart(values.map((v) => v + by))]
          const wide = (c: typeof here) => (c?.upper ?? 0) - (c?.lower ?? 0)
          expect(there?.centre).toBeCloseTo((here?.centre ?? 0) + by, 6)
          expect(wide(there)).toBeCloseTo(wide(here), 6)
        },
      ),
    )
  })
})
