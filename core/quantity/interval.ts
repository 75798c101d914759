import { Refusal } from '../refusal/index.ts'

/** A closed interval; `hi: null` is open above ("400 or more"), `lo: null` open below. */
export interface Interval {
  readonly lo: number | null
  readonly hi: number | null
}

/**
 * Returns the closed interval from `lo` to `hi`. Throws `empty_interval` where `lo` lies above `hi`.
 * @example interval(150, 400) // { lo: 150, hi: 400 }
 */
export function interval(lo: number | null, hi: number | null): Interval {
  if (lo !== null && hi !== null && lo > hi) throw new Refusal('empty_interval', { lo, hi })
  return { lo, hi }
}

/**
 * @example point(200) // { lo: 200, hi: 200 }
 */
export const point = (value: number): Interval => ({ lo: value, hi: value })
/**
 * @example atLeast(82) // { lo: 82, hi: null }
 */
export const atLeast = (lo: number): Interval => ({ lo, hi: null })
/**
 * @example atMost(5) // { lo: null, hi: 5 }
 */
export const atMost = (hi: number): Interval => ({ lo: null, hi })

const low = (i: Interval) => i.lo ?? -Infinity
const high = (i: Interval) => i.hi ?? Infinity

/** Whether every value of `inner` lies in `outer`. */
export const within = (inner: Interval, outer: Interval): boolean =>
  low(inner) >= low(outer) && high(inner) <= high(outer)

/** Whether no value of one lies in the other. */
export const apart = (a: Interval, b: Interval): boolean => high(a) < low(b) || low(a) > high(b)

/** The values common to both, or null where there are none. */
export function intersect(a: Interval, b: Interval): Interval | null {
  if (apart(a, b)) return null
  const lo = Math.max(low(a), low(b))
  const hi = Math.min(high(a), high(b))
  return { lo: lo === -Infinity ? null : lo, hi: hi === Infinity ? null : hi }
}

/** The middle of a bounded interval; of one open above, its lower end; of one open below, its upper end. */
export function middle(i: Interval): number {
  if (i.lo !== null && i.hi !== null) return (i.lo + i.hi) / 2
  return i.lo ?? i.hi ?? 0
}
