import { describe, expect, it } from 'vitest'
import { stationFold } from '../../procedure/index.ts'
import { instant } from '../../quantity/index.ts'
import type { Verdict } from '../../rules/index.ts'
import {
  adviceOf,
  dishFold,
  doseOutlook,
  inDoubt,
  waterDue,
  withRacks,
  type DishState,
} from '../../warewash/index.ts'

import { cycle, dayMs, folded, minuteMs, racks, record, soon, start } from './dish-records.ts'

describe('a machine that sanitizes by a chemical', () => {
  const test = (at: number, lo: number, hi: number, verdict: Verdict) =>
    record('reading.taken@1', at, {
      what: 'sanitizer',
      atRack: true,
      reading: { strength: { lo, hi } },
      judgement: {
        overall: verdict,
        layers: [
          {
            limits: [{ unit: 'ppm', verdict, limit: { lo: 50, hi: 200 }, reading: { lo, hi } }],
          },
        ],
      },
    })
  const at = (n: number) => start + n * minuteMs
  it('is judged at the rack as well: a hot wash says nothing of a feed that has run out', () => {
    const state = folded(
      test(at(1), 60, 80, 'in'),
      cycle(at(2), 'in'),
      test(at(3), 10, 25, 'out'),
      cycle(at(4), 'in'),
    )
    expect(adviceOf(state, soon, true)).toBe('rewash')
    expect(adviceOf(state, soon)).toBe('serves')
    expect(state.rackTests.map((t) => t.off)).toEqual([null, 'weak'])
    expect(inDoubt(state, true)).toEqual({ racks: 2, since: at(1) })
    const again = folded(test(at(1), 10, 25, 'out'), test(at(3), 300, 400, 'out'), cycle(at(4), 'in'))
    expect(adviceOf(again, soon, true)).toBe('stop')
    expect(again.rackTests.at(-1)?.off).toBe('strong')
  })
  it('was never tested: nobody can tell', () => {
    expect(adviceOf(folded(cycle(at(4), 'in')), soon, true)).toBe('cannot-tell')
  })
  it('set aside over its sanitizer comes back by a test at the rack, not by a hot cycle', () => {
    const aside = record('dish.set-aside@1', at(5), { way: 'sink', inDoubt: 2, rewashed: true, asks: 'ppm' })
    const state = folded(test(at(3), 10, 25, 'out'), aside, cycle(at(6), 'in'))
    expect(adviceOf(state, soon, true)).toBe('aside')
    const tested = dishFold.apply(state, test(at(7), 60, 80, 'in'))
    expect(adviceOf(tested, soon, true)).toBe('may-return')
    expect(dishFold.apply(tested, record('dish.returned@1', at(8), { passed: 'x' })).aside).toBeNull()
  })
  it('goes on by its chemical while its heat fails: that test does not bring its heat back', () => {
    const aside = record('dish.set-aside@1', at(5), { way: 'chemical', inDoubt: 2, rewashed: true })
    expect(adviceOf(folded(aside, test(at(6), 60, 80, 'in')), soon)).toBe('aside')
  })
})

describe('the count between delimes', () => {
  const plate = record('station.set@1', start, {
    family: 'dish-machine.stationary-dual',
    parameters: {},
    duties: [
      { procedure: 'dish-machine.delime', trigger: { kind: 'count', of: 'racks', every: 1000 }, rule: '' },
    ],
  })
  const station = stationFold.apply(stationFold.initial('dish'), plate)
  const delimed = (day: number) =>
    record('run.finished@1', start + day * dayMs, { run: 'r', procedure: 'dish-machine.delime' })
  const tallied = (day: number, n: number) => record('rack.tallied@1', start + day * dayMs, { racks: n })
  const every = (state: DishState) => {
    const [duty] = withRacks(station, state).plate?.duties ?? []
    return duty?.trigger.kind === 'count' ? duty.trigger.every : null
  }
  it('is the model’s until the site has an interval of its own', () =>
    expect(every(folded(tallied(0, 500), delimed(1), tallied(2, 900)))).toBe(1000))
  it('comes sooner where scale was seen before it, by that interval a fifth short', () => {
    const seen = record('sign.seen@1', start + 2.5 * dayMs, { sign: 'scale' })
    const state = folded(tallied(0, 500), delimed(1), tallied(2, 900), seen, delimed(3))
    // Twice the model's 1000, once 900 less a fifth.
    expect(every(state)).toBe(Math.round((2000 + 720) / 3))
    expect(state.scaleSeen).toBe(false)
  })
  it('stays where none was seen', () =>
    expect(every(folded(tallied(0, 500), delimed(1), tallied(2, 900), delimed(3), tallied(4, 1)))).toBe(1000))
})

describe('the wash water', () => {
  const changed = record('dish.water-changed@1', start, {})
  const racksAfter = (n: number) =>
    Array.from({ length: n }, (_, i) => cycle(start + (i + 1) * minuteMs, 'in'))
  const due = (parameters: Record<string, number>, minutes: number, n: number) =>
    waterDue(folded(changed, ...racksAfter(n)), parameters, instant(start + minutes * minuteMs))
  it('is due after so many racks or hours, whichever is first', () => {
    expect(due({ waterRacks: 10 }, 60, 4)).toMatchObject({ every: 10, left: 6 })
    expect(due({ waterHours: 2 }, 60, 4)).toEqual({ every: null, left: null, at: start + 120 * minuteMs })
    expect(due({ waterRacks: 1000, waterHours: 2 }, 60, 4)).toMatchObject({
      left: 996,
      at: start + 120 * minuteMs,
    })
    expect(due({ waterRacks: 1000, waterHours: 2 }, 121, 4)).toMatchObject({ left: 0 })
    expect(due({ waterRacks: 4, waterHours: 2 }, 60, 4)).toMatchObject({ left: 0 })
  })
  it('is not told where its plate says neither, nor by hours where nobody knows when it was changed', () => {
    expect(due({}, 60, 4)).toBeNull()
    expect(waterDue(folded(...racksAfter(2)), { waterHours: 2 }, soon)?.at).toBeNull()
  })
})

describe('the feeds of a machine', () => {
  it('sinking from day to day has its day; one that holds has none', () => {
    const days = (sinks: number) =>
      Array.from({ length: 8 }, (_, d) =>
        Array.from({ length: 4 }, (_, i) =>
          cycle(start + d * dayMs + i * 5 * minuteMs, 'in', {
            conductivity: 2.3 - sinks * d + (i % 2) * 0.01,
          }),
        ),
      ).flat()
    // From 2.3 by 0.02 a day to 85 %, 1.955: a little after the seventeenth day.
    const { misses } = doseOutlook(folded(...days(0.02)), 2.3)
    const first = Math.floor(start / dayMs)
    expect((misses?.day ?? 0) - first).toBeGreaterThan(15)
    expect((misses?.day ?? 0) - first).toBeLessThan(20)
    expect(doseOutlook(folded(...days(0)), 2.3).misses).toBeNull()
  })
  it('are metered each by itself', () => {
    const drawn = (at: number, product: string, millilitres: number) =>
      record('concentrate.drawn@1', start + at * minuteMs, { product, millilitres })
    const state = folded(
      ...racks('in', 'in', 'in'),
      drawn(20, 'soap', 18),
      drawn(21, 'chlor', 9),
      cycle(start + 30 * minuteMs, 'in'),
      drawn(40, 'chlor', 0),
    )
    expect(state.fed.map((f) => [f.product, f.racks])).toEqual([
      ['soap', 3],
      ['chlor', 3],
      ['chlor', 1],
    ])
  })
})
