import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { zoneClock } from '../../logger/clock.ts'
import { machineTraceIn, passesIn, summaryOf, type LoggerSeries, type Measure } from '../../logger/index.ts'
import { instant } from '../../quantity/index.ts'
import type { LocalRule } from '../../rules/index.ts'
import { cycleSplitter } from '../../warewash/index.ts'

const seriesOf = (
  at: readonly number[],
  columns: Partial<Record<Measure, readonly number[]>>,
): LoggerSeries => ({
  at: Float64Array.from(at),
  columns: Object.entries(columns).map(([m, v]) => ({
    measures: m as Measure,
    values: Float32Array.from(v ?? []),
  })),
  doubled: 0,
})
const every = (ms: number, n: number) => Array.from({ length: n }, (_, i) => i * ms)

describe('what a series holds', () => {
  it('tells its usual step, its gaps, and the least and most of what was read', () => {
    const at = [0, 5000, 10_000, 15_000, 60_000, 65_000, 70_000]
    const s = seriesOf(at, { other: [4, 5, Number.NaN, 3, 4, 4, 4] })
    expect(summaryOf(s)).toMatchObject({
      rows: 7,
      step: 5000,
      gaps: { count: 1, lasting: 40_000, longest: [{ from: 15_000, to: 60_000 }] },
      columns: [{ measures: 'other', low: 3, high: 5, unread: 1 }],
    })
    expect(summaryOf(seriesOf([5], { other: [4] })).step).toBeNull()
  })
})

describe('rides of a logger in the rack', () => {
  const ride = (top: number) => [22, 40, 55, 66, top, top, 68, 52, 44, 30, 25]
  // FDA Food Code 2022, 4-703.11(B): 71 °C (160 °F) at the utensil's surface.
  it.each([
    [72, 0.5, 'in'],
    [71, 0, 'in'],
    [71, 0.5, 'too-close'],
    [70, 0.5, 'out'],
    [72, null, 'cannot-tell'],
  ] as const)('%d °C, right within %s, is %s', (top, accuracy, verdict) => {
    const s = seriesOf(every(5000, 11), { ware: ride(top) })
    expect(passesIn(s, 5000, accuracy)).toMatchObject([{ highest: top, verdict }])
  })
  it('is held to the authority’s own rule too', () => {
    const rule: LocalRule = {
      id: 'r',
      authority: 'Harbour office',
      effect: { kind: 'adds' },
      quantity: 'surface',
      unit: '°C',
      limit: { lo: 74, hi: null },
      from: instant(0),
      until: null,
      reason: 'our own rule',
    }
    const s = seriesOf(every(5000, 11), { ware: ride(72) })
    expect(passesIn(s, 5000, 0.5, [rule])).toMatchObject([{ verdict: 'out' }])
  })
  it('counts each ride, and lets one false reading decide nothing', () => {
    const s = seriesOf(every(5000, 22), { ware: [...ride(65).with(5, 99), ...ride(72)] })
    expect(passesIn(s, 5000, 0.5).map((p) => p.verdict)).toEqual(['out', 'in'])
  })
  it('parts rides where rows are missing, and takes no cabinet for one', () => {
    const apart = [...every(5000, 5), ...every(5000, 6).map((t) => t + 600_000)]
    expect(passesIn(seriesOf(apart, { ware: ride(72) }), 5000, 0.5)).toHaveLength(2)
    expect(passesIn(seriesOf(every(60_000, 60), { ware: Array(60).fill(72) }), 60_000, 0.5)).toEqual([])
  })
  it('tells the heat dose: 80 °C for 60 s is 60', () => {
    // ISO 15883-1: A0 60 is 80 °C for 60 s.
    const s = seriesOf(every(5000, 14), { ware: [20, ...Array<number>(12).fill(80), 20] })
    expect(passesIn(s, 5000, 0.5)[0]?.a0).toBe(60)
  })
})

describe('a machine’s signals in a file', () => {
  const on = (from: number, to: number, n = 120) =>
    Array.from({ length: n }, (_, i) => (i >= from && i < to ? 1 : 0))
  const signals = {
    tank: Array<number>(120).fill(66),
    rinse: Array<number>(120).fill(84),
    pump: on(10, 60),
    valve: on(64, 80),
  }
  it('are cut into cycles where there is a row a second', () => {
    const machine = machineTraceIn(seriesOf(every(1000, 120), signals), 1000)
    expect(machine && cycleSplitter().push(machine.trace)).toMatchObject([{ ending: 'complete', missing: 0 }])
    expect(Number.isNaN(machine?.conductivity[0])).toBe(true)
  })
  it('are not where rows lie further apart, or the valve is not in it', () => {
    expect(machineTraceIn(seriesOf(every(5000, 120), signals), 5000)).toBeNull()
    const { valve: _, ...without } = signals
    expect(machineTraceIn(seriesOf(every(1000, 120), without), 1000)).toBeNull()
  })
})

describe('local times', () => {
  const shown = new Intl.DateTimeFormat('en-GB', {
    timeZone: 'Europe/Berlin',
    dateStyle: 'short',
    timeStyle: 'medium',
    hourCycle: 'h23',
  })
  it('are the instants at which the clocks of the zone show them, by Intl', () => {
    const clock = zoneClock('Europe/Berlin')
    fc.assert(
      fc.property(
        fc.integer({ min: 1_700_000_000, max: 1_900_000_000 }).map((s) => s * 1000),
        (instant) => {
          const [, day, month, year, hour, minute, second] =
            /(\d+)\/(\d+)\/(\d+), (\d+):(\d+):(\d+)/.exec(shown.format(instant))?.map(Number) ?? []
          const written = {
            year: year ?? 0,
            month: month ?? 0,
            day: day ?? 0,
            clock: { hour: hour ?? 0, minute: minute ?? 0, ms: (second ?? 0) * 1000 },
            offset: null,
          }
          expect(clock(written)).toContain(instant)
        },
      ),
    )
  })
})
