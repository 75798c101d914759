import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { interval } from '../../quantity/index.ts'
import type { LocalRule } from '../../rules/index.ts'
import {
  cycleSplitter,
  figuresOf,
  heatDose,
  judgeCycle,
  traceOf,
  type CycleFigures,
  type CycleLimits,
  type Sample,
} from '../../warewash/index.ts'
import { racks, type Rack } from './racks.ts'

const limits: CycleLimits = {
  kind: 'stationary-dual',
  plate: null,
  accuracy: { temperature: 0, pressure: 0 },
  schools: {},
  local: [],
}
const judged = (samples: readonly Sample[], more: Partial<CycleLimits> = {}) => {
  const [cycle] = cycleSplitter().push(traceOf(samples))
  if (!cycle) throw new Error('no cycle')
  const figures = figuresOf(cycle.trace, cycle.missing)
  return { figures, judgement: judgeCycle(figures, cycle.ending, { ...limits, ...more }) }
}
const verdictOf = (rack: Rack, more: Partial<CycleLimits> = {}) =>
  judged(racks([rack]), more).judgement?.overall

describe('the heat dose A0: ISO 15883-1, z = 10 °C', () => {
  it.each([
    [80, 60, 60],
    [90, 60, 600],
    [70, 600, 60],
    [90, 1, 10],
    [64.9, 1000, 0],
  ])('%d °C for %d s is %d', (c, s, a0) =>
    expect(heatDose(new Array<number>(s).fill(c), 1)).toBeCloseTo(a0, 6),
  )
})

describe('what a cycle reached', () => {
  it('is told by phase, the probe’s lag allowed for', () => {
    const { figures } = judged(racks([{}]))
    expect(figures).toMatchObject({
      from: 10,
      to: 71,
      washSeconds: 45,
      rinseSeconds: 14,
      missing: 0,
      stuck: [],
    })
    expect(figures.washLow).toBeCloseTo(67.95, 1)
    // It still climbs from 60 when the valve opens; held from the fourth second on.
    expect(figures.rinseLow).toBeGreaterThan(82)
    expect(figures.rinseHigh).toBeLessThan(84.1)
    expect(figures.pressureLow).toBeGreaterThan(139)
    expect(figures.secondsHot).toBeGreaterThanOrEqual(10)
  })
  it('one false sample decides nothing, neither hot nor cold', () => {
    const false_ = racks([{}]).map((s) =>
      s.at === 65 ? { ...s, rinse: 20, pressure: 900 } : s.at === 30 ? { ...s, tank: -40 } : s,
    )
    const { figures, judgement } = judged(false_)
    expect(figures.rinseLow).toBeGreaterThan(82)
    expect(figures.washLow).toBeGreaterThan(67)
    expect(figures.pressureHigh).toBeLessThan(141)
    expect(judgement?.overall).toBe('in')
  })
})

describe('a cycle’s verdict: FDA Food Code 2022, 4-501.110 to .113', () => {
  it.each([
    ['as it should be', {}, 'in'],
    ['a tank below 66 °C', { tank: 65 }, 'out'],
    ['a rinse below 82 °C', { hot: 81 }, 'out'],
    ['a rinse above 90 °C', { hot: 91.5 }, 'out'],
    ['a pressure below 35 kPa', { pressure: 30 }, 'out'],
    ['a pressure above 200 kPa', { pressure: 210 }, 'out'],
    ['cut short by the door: no cycle, no verdict', { doorAt: 20 }, undefined],
  ] as const)('%s', (_, rack, verdict) => expect(verdictOf(rack)).toBe(verdict))
  it('the plate’s figures vote too', () => {
    const plate = { wash: { c: 70, f: 158 }, rinse: null, pressure: null }
    expect(verdictOf({}, { plate })).toBe('out')
    expect(verdictOf({ tank: 71 }, { plate })).toBe('in')
  })
  it('what a probe is accurate to may make it too close', () => {
    const accuracy = { temperature: 1.5, pressure: 5 }
    expect(verdictOf({ hot: 83 }, { accuracy })).toBe('too-close')
    expect(verdictOf({ hot: 86 }, { accuracy })).toBe('in')
    expect(verdictOf({ hot: 79 }, { accuracy })).toBe('out')
  })
  it('a chemical machine is not asked for heat or pressure in its rinse', () =>
    expect(verdictOf({ hot: 50, tank: 52, pressure: 20 }, { kind: 'chemical' })).toBe('in'))
  it('a probe that stands still, and samples that are missing, tell nothing', () => {
    const stuck = judged(racks([{}]).map((s) => ({ ...s, rinse: 85 })))
    expect(stuck.figures).toMatchObject({ stuck: ['rinse'], rinseLow: null, a0: null })
    expect(stuck.judgement?.overall).toBe('cannot-tell')
    const gap = judged(racks([{}]).filter((s) => s.at < 30 || s.at > 55))
    expect(gap.judgement?.overall).toBe('cannot-tell')
    const unread = judged(racks([{}]).map((s) => ({ ...s, rinse: Number.NaN })))
    expect(unread.judgement?.overall).toBe('cannot-tell')
  })
  it('the school that looks at the last 15 s adds its limit, and never passes what the code fails', () => {
    const schools = { 'hot-water-machine': 'last-seconds' }
    // A short rinse: the last 15 s hold the seconds in which it was still cold.
    expect(verdictOf({ rinse: 10 }, { schools })).toBe('out')
    expect(verdictOf({ rinse: 22 }, { schools })).toBe('in')
    expect(verdictOf({ rinse: 22, hot: 81 }, { schools })).toBe('out')
  })
  it('a local rule judges the end it limits, and a replaced section has no vote', () => {
    const rule = (limit: LocalRule['limit'], effect: LocalRule['effect']): LocalRule => ({
      id: 'r',
      authority: 'Harbour authority',
      effect,
      quantity: 'rinse',
      unit: '°C',
      limit,
      from: 0 as LocalRule['from'],
      until: null,
      reason: 'byelaw',
    })
    expect(verdictOf({}, { local: [rule(interval(85, null), { kind: 'adds' })] })).toBe('out')
    expect(verdictOf({}, { local: [rule(interval(null, 83), { kind: 'adds' })] })).toBe('out')
    const softer = rule(interval(77, null), { kind: 'replaces', section: '4-501.112' })
    expect(verdictOf({ hot: 80 }, { local: [softer] })).toBe('in')
    expect(verdictOf({ hot: 80 })).toBe('out')
  })
  it('hotter never makes it worse, up to 90 °C', () => {
    const order = ['cannot-tell', 'out', 'too-close', 'in']
    fc.assert(
      fc.property(
        fc.double({ min: 70, max: 89, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (hot, by) => {
          const accuracy = { temperature: 0.5, pressure: 5 }
          const rank = (h: number) => order.indexOf(verdictOf({ hot: h }, { accuracy }) ?? '')
          expect(rank(Math.min(89, hot + by))).toBeGreaterThanOrEqual(rank(hot))
        },
      ),
      { numRuns: 60 },
    )
  })
  it('figures of nothing are nothing', () => {
    const none: CycleFigures = figuresOf(traceOf([]), 0)
    expect(none).toMatchObject({ washLow: null, rinseLow: null, pressureLow: null, a0: null })
    expect(judgeCycle(none, 'gap', limits)?.overall).toBe('cannot-tell')
  })
})
