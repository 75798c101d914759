import { instant } from '@tadka/core/quantity'
import { dishFold, type DishState, type Mark } from '@tadka/core/warewash'
import { describe, expect, it } from 'vitest'
import { stripOf } from '../src/warewash/strip.ts'
import { traceChart } from '../src/warewash/trace-chart.ts'
import { monthOf, spanOf, trendChart, turnMonth } from '../src/warewash/trend-chart.ts'

const mark = (i: number, rinseLow: number | null, verdict: Mark['verdict']): Mark => ({
  key: `m${i}`,
  by: 'probe',
  record: '',
  at: Date.UTC(2026, 10, 26, 18) + i * 20 * 60_000,
  ending: verdict ? 'complete' : 'door',
  verdict,
  washLow: 68,
  rinseLow,
  rinseHigh: rinseLow,
  pressureLow: 140,
  pressureHigh: 140,
  missing: 0,
  stuck: false,
  conductivity: null,
  a0: null,
})

describe('the strip of the last racks', () => {
  it('stands each above or below the limit, what was not read on it', () => {
    const { marks, limitAt } = stripOf(
      [mark(0, 84, 'in'), mark(1, 80, 'out'), mark(2, null, null)],
      82,
      10,
      110,
    )
    expect(marks.map((m) => m.shape)).toEqual(['in', 'out', 'cut'])
    const [above, below, on] = marks
    expect(above?.to).toBeLessThan(limitAt)
    expect(below?.to).toBeGreaterThan(limitAt)
    expect(on?.to).toBe(limitAt)
    expect(marks.map((m) => m.x)).toEqual([5, 15, 25])
  })
  it('never leaves its box, however hot or cold', () => {
    const { marks } = stripOf([mark(0, 140, 'out'), mark(1, -10, 'out')], 82, 10, 110)
    expect(marks.map((m) => m.to)).toEqual([0, 110])
  })
  it('tells the hour where it turns, with room for the words', () => {
    const all = Array.from({ length: 12 }, (_, i) => mark(i, 84, 'in'))
    expect(stripOf(all, 82, 40, 110).turns.map((t) => new Date(t.at).getUTCHours())).toEqual([19, 20, 21])
    expect(stripOf(all, 82, 12, 110).turns.length).toBeLessThan(3)
  })
})

describe('the charts', () => {
  const colours = { ink: '', quiet: '', line: '', tank: '', rinse: '', middle: '', low: '', limit: '' }
  const metric = { degree: '°C', of: (c: number) => c }
  it('a trace draws its limits only where they hold', () => {
    const trace = {
      at: [0, 1000, 2000],
      tank: [68, 68, null],
      rinse: [60, 60, 84],
      pressure: [0, 0, 140],
      on: [1, 1, 2],
    }
    const words = { tank: 't', rinse: 'r', washLeast: 'w', rinseLeast: 'l', seconds: 's' }
    const { datasets } = traceChart(trace, { wash: 66, rinse: 82 }, metric, words, colours).data
    expect(datasets[2]?.data.map((p) => p.y)).toEqual([66, 66, null])
    expect(datasets[3]?.data.map((p) => p.y)).toEqual([null, null, 82])
    expect(datasets[0]?.data[2]).toEqual({ x: 2, y: null })
  })
  it('a month draws its limit through every day', () => {
    const day = { day: '2026-11-12', racks: 3, out: 0, cannotTell: 0, rinseMiddle: 85, rinseLow: null }
    const { datasets } = trendChart([day], 82, metric, { middle: 'm', low: 'l', limit: 'x' }, colours).data
    expect(datasets.map((d) => d.data[0])).toEqual([
      { x: '12', y: 85 },
      { x: '12', y: null },
      { x: '12', y: 82 },
    ])
  })
  it('a site in US units has its axis, its points and its limit in °F', () => {
    const day = { day: '2026-11-12', racks: 3, out: 0, cannotTell: 0, rinseMiddle: 85, rinseLow: 80 }
    const us = { degree: '°F', of: (c: number) => (c * 9) / 5 + 32 }
    const { data, options } = trendChart([day], 82, us, { middle: 'm', low: 'l', limit: 'x' }, colours)
    expect(data.datasets.map((d) => d.data[0]?.y)).toEqual([185, 176, us.of(82)])
    expect(options?.scales?.['y']).toMatchObject({ title: { text: '°F' } })
  })
  it('months are those of the site’s zone, and turn over the year', () => {
    const month = monthOf(instant(Date.UTC(2026, 11, 31, 23)), 'Europe/Dublin')
    expect(month).toBe('2026-12')
    expect(turnMonth(month, 1)).toBe('2027-01')
    expect(turnMonth(turnMonth(month, 1), -1)).toBe(month)
    // In summer Dublin is an hour ahead: its July begins on the last of June.
    expect(monthOf(instant(Date.UTC(2027, 5, 30, 23, 30)), 'Europe/Dublin')).toBe('2027-07')
    expect(spanOf('2027-07', 'Europe/Dublin').from).toBe(Date.UTC(2027, 5, 30, 23))
    expect(spanOf('2027-10', 'Europe/Dublin').to).toBe(Date.UTC(2027, 10, 1))
  })
})

it('a machine that nothing is known of has an empty state', () => {
  const state: DishState = dishFold.initial('x')
  expect(state).toMatchObject({ marks: [], total: 0, aside: null })
})
