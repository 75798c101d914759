import {
  interval,
  millilitres,
  ppm,
  seconds,
  type Interval,
  type Millilitres,
  type Ppm,
  type Seconds,
} from '../quantity/index.ts'
import { Refusal } from '../refusal/index.ts'
import { strengthOf } from './dose.ts'

export interface StrokeDose {
  readonly strokes: number
  readonly delivered: Millilitres
  /** What whole strokes give, mg/L. */
  readonly strength: Ppm
}

/**
 * Whole strokes of a pump for a dose.
 * @param perStroke millilitres a stroke, as last calibrated; @param exact millilitres wanted; @param water millilitres;
 * @param stock mg/L. Throws `volume_is_zero`.
 * @example strokeDose(millilitres(30), millilitres(20), millilitres(10_000), ppm(100_000)) // { strokes: 1, delivered: 30, strength: 299.1 }
 */
export function strokeDose(
  perStroke: Millilitres,
  exact: Millilitres,
  water: Millilitres,
  stock: Ppm,
): StrokeDose {
  if (perStroke <= 0) throw new Refusal('volume_is_zero', { field: 'stroke' })
  const strokes = Math.max(1, Math.round(exact / perStroke))
  const delivered = millilitres(strokes * perStroke)
  return { strokes, delivered, strength: strengthOf(stock, delivered, water) }
}

/**
 * How long to hold a timed dispenser. @param perSecond millilitres a second; @param exact millilitres. Throws `volume_is_zero`.
 * @example flowTime(millilitres(50), millilitres(2000)) // 40
 */
export function flowTime(perSecond: Millilitres, exact: Millilitres): Seconds {
  if (perSecond <= 0) throw new Refusal('volume_is_zero', { field: 'flow' })
  return seconds(exact / perSecond)
}

export interface DispenserCheck {
  /** Measured delivery over what is needed: 1 is right. */
  readonly ratio: number
  /** The strength that it gives now, mg/L. */
  readonly strength: Ppm
  readonly verdict: 'in' | 'out'
}

/** A timed or counted delivery caught in a cylinder, held against the band. All volumes in millilitres, band in mg/L. */
export function checkDispenser(
  measured: Millilitres,
  expected: Millilitres,
  target: Ppm,
  band: Interval,
): DispenserCheck {
  if (expected <= 0) throw new Refusal('volume_is_zero', { field: 'expected' })
  const ratio = measured / expected
  const strength = ppm(target * ratio)
  const inside = strength >= (band.lo ?? 0) && strength <= (band.hi ?? Infinity)
  return { ratio, strength, verdict: inside ? 'in' : 'out' }
}

export interface Drift {
  /** Exponentially weighted mean of the checks' ratios, the newest weighing most. */
  readonly level: number
  /** Change of the ratio from one check to the next, by least squares. */
  readonly perCheck: number
  /** In how many checks from now the strength leaves the band; null where it does not within fifty. */
  readonly leavesIn: number | null
}

/** Weight of the newest check in the level. Common practice for a control chart: 0.2 to 0.3. */
const weight = 0.3

/**
 * The drift of a dispenser over its checks, oldest first.
 * @param ratios measured over expected; @param target mg/L at ratio 1; @param band mg/L.
 * Method: EWMA for the level (S. W. Roberts, Technometrics 1959), least-squares slope for the trend.
 */
export function dispenserDrift(ratios: readonly number[], target: Ppm, band: Interval): Drift | null {
  const first = ratios[0]
  if (first === undefined) return null
  const level = ratios.slice(1).reduce((s, r) => weight * r + (1 - weight) * s, first)
  const perCheck = slope(ratios)
  const limits = interval((band.lo ?? 0) / target, band.hi === null ? null : band.hi / target)
  for (let n = 0; n <= 50; n++) {
    const at = level + perCheck * n
    if (at < (limits.lo ?? 0) || (limits.hi !== null && at > limits.hi))
      return { level, perCheck, leavesIn: n }
  }
  return { level, perCheck, leavesIn: null }
}

function slope(values: readonly number[]): number {
  const n = values.length
  if (n < 2) return 0
  const mean = values.reduce((a, b) => a + b, 0) / n
  const middle = (n - 1) / 2
  const over = values.reduce((s, v, i) => s + (i - middle) * (v - mean), 0)
  return over / values.reduce((s, _, i) => s + (i - middle) ** 2, 0)
}
