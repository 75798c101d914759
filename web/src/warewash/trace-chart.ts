import type { CycleTrace } from '@tadka/contract/warewash'
import type { ChartConfiguration } from 'chart.js'
import { lineOf, pointAt, type Degrees } from '../pieces/chart-line.ts'

export interface TraceWords {
  readonly tank: string
  readonly rinse: string
  readonly washLeast: string
  readonly rinseLeast: string
  readonly seconds: string
}
export interface TraceColours {
  readonly ink: string
  readonly quiet: string
  readonly line: string
  readonly tank: string
  readonly rinse: string
}

/** A cycle's temperatures over its seconds, the limits drawn as lines where they hold: the tank while it washes, the manifold while it rinses. */
export function traceChart(
  trace: CycleTrace,
  limits: { readonly wash: number; readonly rinse: number },
  units: Degrees,
  words: TraceWords,
  colours: TraceColours,
): ChartConfiguration<'line', { x: number; y: number | null }[]> {
  const from = trace.at[0] ?? 0
  const x = trace.at.map((at) => Math.round((at - from) / 1000))
  const points = (of: readonly (number | null)[]) => x.map((s, i) => ({ x: s, y: pointAt(of[i], units) }))
  /** A line at `value` over the seconds in which a bit is on. */
  const while_ = (bit: number, value: number) =>
    x.map((s, i) => ({ x: s, y: ((trace.on[i] ?? 0) & bit) !== 0 ? units.of(value) : null }))
  const line = (label: string, data: { x: number; y: number | null }[], colour: string, dashed = false) =>
    lineOf(label, data, colour, { dashed })
  return {
    type: 'line',
    data: {
      datasets: [
        line(words.tank, points(trace.tank), colours.tank),
        line(words.rinse, points(trace.rinse), colours.rinse),
        line(words.washLeast, while_(1, limits.wash), colours.tank, true),
        line(words.rinseLeast, while_(2, limits.rinse), colours.rinse, true),
      ],
    },
    options: {
      animation: false,
      parsing: false,
      normalized: true,
      responsive: true,
      maintainAspectRatio: false,
      scales: {
        x: {
          type: 'linear',
          title: { display: true, text: words.seconds, color: colours.quiet },
          ticks: { color: colours.quiet },
          grid: { color: colours.line },
        },
        y: {
          suggestedMin: units.of(55),
          suggestedMax: units.of(92),
          title: { display: true, text: units.degree, color: colours.quiet },
          ticks: { color: colours.quiet },
          grid: { color: colours.line },
        },
      },
      plugins: {
        legend: { labels: { color: colours.ink, boxWidth: 28, boxHeight: 2 } },
        decimation: { enabled: true, algorithm: 'lttb', samples: 400 },
        tooltip: { mode: 'index', intersect: false },
      },
    },
  }
}
