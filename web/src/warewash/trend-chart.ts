import type { CycleDay } from '@tadka/contract/warewash'
import { dateAt, instantAt } from '@tadka/core/calendar'
import type { Instant } from '@tadka/core/quantity'
import type { ChartConfiguration } from 'chart.js'
import { lineOf, pointAt, type Degrees } from '../pieces/chart-line.ts'

/** A month, "2026-11". */
export type Month = string

/** The month that an instant lies in, in the site's zone. */
export const monthOf = (at: Instant, timeZone: string): Month => dateAt(at, timeZone).slice(0, 7)

export function turnMonth(month: Month, by: number): Month {
  const [year = 0, m = 1] = month.split('-').map(Number)
  return new Date(Date.UTC(year, m - 1 + by, 1)).toISOString().slice(0, 7)
}

/** From when to when a month is, in the site's zone. */
export const spanOf = (month: Month, timeZone: string): { readonly from: Instant; readonly to: Instant } => ({
  from: instantAt(`${month}-01`, '00:00', timeZone),
  to: instantAt(`${turnMonth(month, 1)}-01`, '00:00', timeZone),
})

interface Words {
  readonly middle: string
  readonly low: string
  readonly limit: string
}
type Colours = Readonly<Record<'ink' | 'quiet' | 'line' | 'middle' | 'low' | 'limit', string>>

/** The rinse by day: its middle, its lowest, and the limit. */
export function trendChart(
  days: readonly CycleDay[],
  limit: number,
  units: Degrees,
  words: Words,
  colours: Colours,
): ChartConfiguration<'line', { x: string; y: number | null }[]> {
  const line = (label: string, of: (d: CycleDay) => number | null, colour: string, dashed: boolean) =>
    lineOf(
      label,
      days.map((d) => ({ x: d.day.slice(8), y: pointAt(of(d), units) })),
      colour,
      { dashed, points: dashed ? 0 : 3 },
    )
  return {
    type: 'line',
    data: {
      datasets: [
        line(words.middle, (d) => d.rinseMiddle, colours.middle, false),
        line(words.low, (d) => d.rinseLow, colours.low, false),
        line(words.limit, () => limit, colours.limit, true),
      ],
    },
    options: {
      animation: false,
      responsive: true,
      maintainAspectRatio: false,
      scales: {
        x: { type: 'category', ticks: { color: colours.quiet }, grid: { color: colours.line } },
        y: {
          suggestedMin: units.of(limit - 2),
          suggestedMax: units.of(limit + 6),
          title: { display: true, text: units.degree, color: colours.quiet },
          ticks: { color: colours.quiet },
          grid: { color: colours.line },
        },
      },
      plugins: {
        legend: { labels: { color: colours.ink, boxWidth: 28, boxHeight: 2 } },
        tooltip: { mode: 'index', intersect: false },
      },
    },
  }
}
