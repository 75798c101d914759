import { pumpBit, valveBit, type Trace } from './trace.ts'

/** What one cycle reached. Null where the probe did not tell: nothing was read, or it stood still. */
export interface CycleFigures {
  /** By the trace's clock, s. */
  readonly from: number
  readonly to: number
  /** Seconds that the pump ran and that the rinse valve was open, and samples missing. */
  readonly washSeconds: number
  readonly rinseSeconds: number
  readonly missing: number
  /** The tank while the pump ran, °C. */
  readonly washLow: number | null
  readonly washMean: number | null
  /** At the manifold while the valve was open, once the probe's lag was over, °C; over the last seconds of it; and its highest. */
  readonly rinseLow: number | null
  readonly rinseLast: number | null
  readonly rinseHigh: number | null
  /** Seconds of the rinse at `rinseAt` or above. */
  readonly secondsHot: number
  /** kPa, while the valve was open. */
  readonly pressureLow: number | null
  readonly pressureHigh: number | null
  /** Heat dose at the manifold, s at 80 °C. Shown as a help; decides nothing. */
  readonly a0: number | null
  /** A probe that read the very same through all of it. */
  readonly stuck: readonly ('tank' | 'rinse' | 'pressure')[]
}

export interface FigureSettings {
  /** Seconds after the valve opens in which the rinse probe still climbs. */
  readonly lag: number
  /** Seconds at the end of the rinse that one school looks at. */
  readonly last: number
  /** °C that the seconds are counted at. */
  readonly rinseAt: number
}

/** Common practice, no source: a probe in a pocket follows in a few seconds; models differ. */
export const figureSettings: FigureSettings = { lag: 4, last: 15, rinseAt: 82 }

/** A reading that moves less than this through a whole cycle has stuck. °C, kPa. */
const still = { tank: 0.02, rinse: 0.05, pressure: 0.1 } as const

/** What a cut cycle reached. @param missing seconds without samples within it. */
export function figuresOf(
  t: Trace,
  missing: number,
  settings: FigureSettings = figureSettings,
): CycleFigures {
  const { at, on } = t
  const n = at.length
  // The indices of each phase; the rinse once settled, its last seconds, and without the valve's own strokes.
  const [washing, rinsing] = [new Int32Array(n), new Int32Array(n)]
  let [washes, rinses] = [0, 0]
  for (let i = 0; i < n; i++) {
    const bits = on[i] as number
    if ((bits & pumpBit) !== 0) washing[washes++] = i
    if ((bits & valveBit) !== 0) rinsing[rinses++] = i
  }
  const opened = rinses > 0 ? (at[rinsing[0] as number] as number) : 0
  const closed = rinses > 0 ? (at[rinsing[rinses - 1] as number] as number) : 0
  let [settled, last] = [0, 0]
  while (settled < rinses && (at[rinsing[settled] as number] as number) - opened < settings.lag) settled++
  while (last < rinses && closed - (at[rinsing[last] as number] as number) >= settings.last) last++
  const stuck = (['tank', 'rinse', 'pressure'] as const).filter((k) => rinses > 0 && !moves(t[k], still[k]))
  const reached = (k: 'tank' | 'rinse' | 'pressure', of: Int32Array, from: number, to: number) =>
    stuck.includes(k) || to <= from
      ? none
      : smoothed(t[k], of, from, to, k === 'rinse' ? settings.rinseAt : null)
  const wash = reached('tank', washing, 0, washes)
  const all = reached('rinse', rinsing, 0, rinses)
  const flowing = reached('pressure', rinsing, 1, rinses - 1)
  return {
    from: at[0] ?? 0,
    to: at[n - 1] ?? 0,
    washSeconds: washes,
    rinseSeconds: rinses,
    missing,
    washLow: wash.low,
    washMean: wash.count > 0 ? wash.sum / wash.count : null,
    rinseLow: reached('rinse', rinsing, settled, rinses).low,
    rinseLast: reached('rinse', rinsing, last, rinses).low,
    rinseHigh: all.high,
    secondsHot: all.hot,
    pressureLow: flowing.low,
    pressureHigh: flowing.high,
    a0: all.count > 0 ? all.dose : null,
    stuck,
  }
}

/** Whether a column moves by so much; most do at once. */
function moves(column: Float32Array, least: number): boolean {
  let [lo, hi] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY]
  for (let i = 0; i < column.length; i++) {
    const v = column[i] as number
    if (v < lo) lo = v
    if (v > hi) hi = v
    if (hi - lo >= least) return true
  }
  return false
}

interface Reached {
  readonly low: number | null
  readonly high: number | null
  readonly sum: number
  readonly count: number
  readonly hot: number
  readonly dose: number
}
const none: Reached = { low: null, high: null, sum: 0, count: 0, hot: 0, dose: 0 }

/**
 * A column at some indices, from the `from`th of them to before the `to`th, each taken as the middle one of itself and its
 * neighbours among those read: one false sample decides nothing. @param hotAt °C; null where heat is not counted.
 */
function smoothed(
  column: Float32Array,
  of: Int32Array,
  from: number,
  to: number,
  hotAt: number | null,
): Reached {
  const read = new Float64Array(to - from)
  let n = 0
  for (let i = from; i < to; i++) {
    const v = column[of[i] as number] as number
    if (v === v) read[n++] = v
  }
  if (n === 0) return none
  let [low, high, sum, hot, dose] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY, 0, 0, 0]
  for (let i = 0; i < n; i++) {
    const v = read[i] as number
    const a = (i > 0 ? read[i - 1] : n > 1 ? read[1] : v) as number
    const c = (i + 1 < n ? read[i + 1] : n > 1 ? read[n - 2] : v) as number
    const middle = a < v ? (v < c ? v : a < c ? c : a) : a < c ? a : v < c ? c : v
    if (middle < low) low = middle
    if (middle > high) high = middle
    sum += middle
    if (hotAt === null) continue
    if (middle >= hotAt) hot++
    dose += doseOf(middle)
  }
  return { low, high, sum, count: n, hot, dose }
}

/** Below this the heat dose counts nothing. From memory of ISO 15883-1. */
const leastCounted = 65

/**
 * Heat dose A0 in seconds at 80 °C: the sum of 10^((T - 80) / 10) over time, from 65 °C up. @param temperatures °C.
 * @param step seconds between them. Source: ISO 15883-1, z = 10 °C.
 */
export const heatDose = (temperatures: readonly number[], step: number): number =>
  temperatures.reduce((sum, c) => sum + doseOf(c) * step, 0)

/** What a second at a temperature counts as, in seconds at 80 °C. */
const doseOf = (celsius: number): number =>
  celsius < leastCounted ? 0 : Math.exp(((celsius - 80) / 10) * Math.LN10)
