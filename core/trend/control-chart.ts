import { mean } from 'simple-statistics'

/** A value at its time, milliseconds UTC. */
export interface ChartPoint {
  readonly at: number
  readonly value: number
}

export type Signal = 'outside' | 'run'

/** A control chart of single values. */
export interface ControlChart {
  /** The mean of the values it is set by, and the natural limits round it; in the values' own unit. */
  readonly centre: number
  readonly lower: number
  readonly upper: number
  /** What is no chance: by the index of the value, which of the two rules it breaks. */
  readonly signals: readonly { readonly index: number; readonly rule: Signal }[]
  /** Which way the last values have moved where they are a run on one side that reaches to the end. */
  readonly drift: 'up' | 'down' | null
}

/** So few values set no limits. Common practice: ten and more. */
export const fewestValues = 10
/** The limits are set by the first of them: what comes later is held against how it was. */
const baseline = 20
/** 3 / d2 for moving ranges of two. */
const perMovingRange = 3 / 1.128
/** So many in a row on one side of the centre are no chance. */
const inARow = 8

/**
 * Individuals control chart: mean ± 3 / 1.128 times the mean moving range, set by the first 20 values; a value outside of the limits, or the
 * eighth in a row on one side of the centre, is a signal.
 * Source: NIST/SEMATECH e-Handbook of Statistical Methods, 6.3.2.2 (individuals charts) and 6.3.2 (Western Electric rules).
 * @param points in the order of their times. @param finest how far apart two values are that the instrument tells apart: the limits are no
 * nearer, and what is nearer to the centre lies on neither side of it. @returns null for fewer than 10.
 * @example controlChart([10, 12, 11, 10, 12, 11, 10, 12, 11, 11].map((value, at) => ({ at, value })))?.centre // 11
 */
export function controlChart(points: readonly ChartPoint[], finest = 0): ControlChart | null {
  if (points.length < fewestValues) return null
  const values = points.map((p) => p.value)
  const first = values.slice(0, baseline)
  const centre = mean(first)
  const moved = first.slice(1).map((v, i) => Math.abs(v - (first[i] ?? v)))
  const width = Math.max(perMovingRange * mean(moved), finest)
  const [lower, upper] = [centre - width, centre + width]
  const signals: { index: number; rule: Signal }[] = []
  let run = 0
  values.forEach((v, index) => {
    // What the instrument does not tell from the centre lies on no side of it.
    const side = Math.abs(v - centre) <= finest / 2 ? 0 : Math.sign(v - centre)
    run = side === 0 ? 0 : Math.sign(run) === side ? run + side : side
    if (v < lower || v > upper) signals.push({ index, rule: 'outside' })
    else if (Math.abs(run) >= inARow) signals.push({ index, rule: 'run' })
  })
  return { centre, lower, upper, signals, drift: Math.abs(run) < inARow ? null : run > 0 ? 'up' : 'down' }
}
