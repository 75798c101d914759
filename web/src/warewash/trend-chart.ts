import type { CycleDay } from '@tadka/contract/warewash'
import type { ChartConfiguration } from 'chart.js'

export interface Month {
  /** Milliseconds UTC. */
  readonly from: number
  readonly to: number
}

/** The month that an instant lies in, UTC. */
export function monthOf(at: number): Month {
  const d = new Date(at)
  const [y, m] = [d.getUTCFullYear(), d.getUTCMonth()]
  return { from: Date.UTC(y, m, 1), to: Date.UTC(y, m + 1, 1) }
}

export const turnMonth = (month: Month, by: number): Month => {
  const d = new Date(month.from)
  return monthOf(Date.UTC(d.getUTCFullYear(), d.getUTCMonth() + by, 1))
}

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
  words: Words,
  colours: Colours,
): ChartConfiguration<'line', { x: string; y: number | null }[]> {
  const line = (label: string, of: (d: CycleDay) => number | null, colour: string, dashed: boolean) => ({
    label,
    data: days.map((d) => ({ x: d.day.slice(8), y: of(d) })),
    borderColor: colour,
    backgroundColor: colour,
    borderWidth: dashed ? 2 : 3,
    borderDash: dashed ? [7, 5] : [],
    pointRadius: dashed ? 0 : 3,
  })
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
          suggestedMin: limit - 2,
          suggestedMax: limit + 6,
          title: { display: true, text: '°C', color: colours.quiet },
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
