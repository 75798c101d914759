import { apart, within, type Interval } from '../quantity/index.ts'

/** in: the whole reading inside; out: wholly outside; too-close: astride a limit; cannot-tell: something is missing. */
export const verdicts = ['in', 'too-close', 'out', 'cannot-tell'] as const
export type Verdict = (typeof verdicts)[number]

const severity: Record<Verdict, number> = { in: 0, 'too-close': 1, 'cannot-tell': 2, out: 3 }

/** The strictest of several: out beats cannot tell beats too close beats in. Nothing judged: cannot tell. */
export function strictest(verdicts: readonly Verdict[]): Verdict {
  return (
    verdicts.reduce<Verdict | null>(
      (worst, v) => (worst === null || severity[v] > severity[worst] ? v : worst),
      null,
    ) ?? 'cannot-tell'
  )
}

/** Judges by closed intervals, in one unit. A reading that is not there, or that has neither end, cannot be judged. */
export function judgeInterval(reading: Interval | null, limit: Interval): Verdict {
  if (reading === null || (reading.lo === null && reading.hi === null)) return 'cannot-tell'
  if (within(reading, limit)) return 'in'
  return apart(reading, limit) ? 'out' : 'too-close'
}

/**
 * How far the reading's nearer end lies inside (positive) or outside (negative) the limit, in the reading's unit;
 * null where either is unbounded on every side that matters.
 */
export function distanceTo(reading: Interval, limit: Interval): number | null {
  const gaps: number[] = []
  if (limit.lo !== null) gaps.push((reading.lo ?? -Infinity) - limit.lo)
  if (limit.hi !== null) gaps.push(limit.hi - (reading.hi ?? Infinity))
  const least = Math.min(...gaps)
  return Number.isFinite(least) ? least : null
}
