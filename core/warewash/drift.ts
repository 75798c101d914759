import { median, medianSorted } from 'simple-statistics'

/** One point of a trend: days (any origin), and what was read. */
export interface TrendPoint {
  readonly day: number
  readonly value: number
}

/** A trend that single bad points do not turn. */
export interface Trend {
  /** Per day, with an interval of about 90 %. */
  readonly slope: number
  readonly slopeLow: number
  readonly slopeHigh: number
  /** The value on the last day, by the line. */
  readonly now: number
  readonly lastDay: number
}

/** Which way a trend goes for certain; null where it may be neither. */
export const directionOf = ({ slopeLow, slopeHigh }: Trend): 'rises' | 'falls' | null =>
  slopeLow > 0 ? 'rises' : slopeHigh < 0 ? 'falls' : null

/** Below so many days nothing is said of a trend. */
const fewest = 5
/** Half-width of a 90 % interval of a normal. */
const z90 = 1.645

/**
 * Slope by Theil and Sen: the middle of the slopes of all pairs; its interval by Sen's ranks. Null below five days.
 * Source: P. K. Sen, Estimates of the regression coefficient based on Kendall's tau, JASA 63 (1968).
 */
export function trendOf(points: readonly TrendPoint[]): Trend | null {
  const days = new Set(points.map((p) => p.day))
  if (days.size < fewest) return null
  const slopes: number[] = []
  for (let i = 0; i < points.length; i++)
    for (let j = i + 1; j < points.length; j++) {
      const [a, b] = [points[i] as TrendPoint, points[j] as TrendPoint]
      if (a.day !== b.day) slopes.push((b.value - a.value) / (b.day - a.day))
    }
  slopes.sort((a, b) => a - b)
  const slope = medianSorted(slopes)
  const n = points.length
  const spread = z90 * Math.sqrt((n * (n - 1) * (2 * n + 5)) / 18)
  const at = (rank: number) => slopes[Math.min(slopes.length - 1, Math.max(0, Math.round(rank)))] as number
  const lastDay = Math.max(...days)
  return {
    slope,
    slopeLow: at((slopes.length - spread) / 2 - 1),
    slopeHigh: at((slopes.length + spread) / 2),
    now: median(points.map((p) => p.value + slope * (lastDay - p.day))),
    lastDay,
  }
}

/** When a trend reaches a limit: days of the same origin; `latest` is null where it may never. */
export interface Crossing {
  readonly day: number
  readonly earliest: number
  readonly latest: number | null
}

/** Further ahead than this nothing is foretold, days. */
const horizon = 120

/**
 * The day on which a sinking value falls below a limit; null where it does not sink for sure, or not within 120 days.
 * @param margin what the value scatters about its line: the first miss comes that much sooner.
 */
export function fallsBelow(trend: Trend, limit: number, margin = 0): Crossing | null {
  const left = trend.now - margin - limit
  if (left <= 0) return { day: trend.lastDay, earliest: trend.lastDay, latest: trend.lastDay }
  if (trend.slopeHigh >= 0 || trend.slope >= 0) return null
  const after = (slope: number) => trend.lastDay + left / -slope
  const day = after(trend.slope)
  if (day - trend.lastDay > horizon) return null
  return { day, earliest: after(trend.slopeLow), latest: after(trend.slopeHigh) }
}
