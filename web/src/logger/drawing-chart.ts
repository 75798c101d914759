import type { LoggerDrawing } from '@tadka/contract/logger'
import { unitsFor } from '@tadka/core/logger'
import type { ChartConfiguration } from 'chart.js'
import { lineOf, pointAt, type Degrees } from '../pieces/chart-line.ts'

interface Words {
  readonly names: readonly string[]
  readonly limit: string
  readonly when: (at: number) => string
}
type Colours = Readonly<Record<'ink' | 'quiet' | 'line' | 'limit', string>> & {
  readonly lines: readonly string[]
}
type Config = ChartConfiguration<'line', { x: number; y: number | null }[]>

/** Stretches further apart than so many steps are not joined. */
const apart = 2.5

const minuteMs = 60_000
const wholes = [1, 5, 10, 15, 30, 60, 120, 180, 360, 720, 1440, 2880, 10_080, 40_320].map((m) => m * minuteMs)

/** Whole times between two instants, at most eight. */
export function turns(from: number, to: number): number[] {
  const each = wholes.find((w) => (to - from) / w <= 8) ?? (to - from) / 8
  const begin = Math.ceil(from / each) * each
  return Array.from({ length: Math.floor((to - begin) / each) + 1 }, (_, i) => begin + i * each)
}

/**
 * A file's temperatures: of each column a line through the most of each stretch, and one through the least where they part. Other units
 * have no place on this axis. @param limit °C that is drawn, or null.
 */
export function drawingChart(
  d: LoggerDrawing,
  limit: number | null,
  units: Degrees,
  words: Words,
  colours: Colours,
): Config {
  const steps = d.at.slice(1).map((at, i) => at - (d.at[i] ?? 0))
  const step = Math.min(...steps.filter((s) => s > 0), Number.POSITIVE_INFINITY)
  /** The points, with a hole where rows are missing. */
  const points = (of: readonly (number | null)[]) =>
    d.at.flatMap((x, i) => {
      const gap = i > 0 && x - (d.at[i - 1] ?? x) > apart * step
      return [...(gap ? [{ x: x - 1, y: null }] : []), { x, y: pointAt(of[i], units) }]
    })
  const drawn = d.columns
    .map((c, i) => ({ ...c, name: words.names[i] ?? '' }))
    .filter((c) => unitsFor[c.measures][0] === '°C')
  const lines = drawn.flatMap((c, i) => {
    const colour = colours.lines[i % colours.lines.length] ?? colours.ink
    return [
      lineOf(c.name, points(c.high), colour, { width: 2.5 }),
      lineOf('', points(c.low), colour, { width: 1 }),
    ]
  })
  const [first, last] = [d.at[0] ?? 0, d.at.at(-1) ?? 0]
  const ends = [
    { x: first, y: pointAt(limit, units) },
    { x: last, y: pointAt(limit, units) },
  ]
  const limits = limit === null ? [] : [lineOf(words.limit, ends, colours.limit, { dashed: true })]
  return {
    type: 'line',
    data: { datasets: [...lines, ...limits] },
    options: {
      animation: false,
      parsing: false,
      normalized: true,
      responsive: true,
      maintainAspectRatio: false,
      scales: {
        x: {
          type: 'linear',
          min: first,
          max: last,
          afterBuildTicks: (axis) => {
            axis.ticks = turns(first, last).map((value) => ({ value }))
          },
          ticks: { color: colours.quiet, callback: (v) => words.when(Number(v)) },
          grid: { color: colours.line },
        },
        y: {
          title: { display: true, text: units.degree, color: colours.quiet },
          ticks: { color: colours.quiet },
          grid: { color: colours.line },
        },
      },
      plugins: {
        legend: {
          labels: { color: colours.ink, boxWidth: 28, boxHeight: 2, filter: (item) => item.text !== '' },
        },
        tooltip: { enabled: false },
      },
    },
  }
}
