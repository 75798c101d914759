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
  const isOn = (i: number, bit: number) => ((on[i] as number) & bit) !== 0
  const washing: number[] = []
  const rinsing: number[] = []
  for (let i = 0; i < at.length; i++) {
    if (isOn(i, pumpBit)) washing.push(i)
    if (isOn(i, valveBit)) rinsing.push(i)
  }
  const stuck = (['tank', 'rinse', 'pressure'] as const).filter(
    (k) => rinsing.length > 0 && spanOf(t[k]) < still[k],
  )
  const opened = at[rinsing[0] ?? 0] ?? 0
  const closed = at[rinsing.at(-1) ?? 0] ?? 0
  const told = (k: 'tank' | 'rinse' | 'pressure', of: readonly number[]) =>
    stuck.includes(k) ? [] : smooth(t[k], of)
  const wash = told('tank', washing)
  const settled = rinsing.filter((i) => (at[i] as number) - opened >= settings.lag)
  const all = told('rinse', rinsing)
  const held = told('rinse', settled)
  const last = told(
    'rinse',
    rinsing.filter((i) => closed - (at[i] as number) < settings.last),
  )
  // The valve's opening and closing strokes tell nothing of the flow.
  const flowing = told('pressure', rinsing.slice(1, -1))
  return {
    from: at[0] ?? 0,
    to: at[at.length - 1] ?? 0,
    washSeconds: washing.length,
    rinseSeconds: rinsing.length,
    missing,
    washLow: least(wash),
    washMean: wash.length > 0 ? wash.reduce((a, b) => a + b, 0) / wash.length : null,
    rinseLow: least(held),
    rinseLast: least(last),
    rinseHigh: most(all),
    secondsHot: all.filter((c) => c >= settings.rinseAt).length,
    pressureLow: least(flowing),
    pressureHigh: most(flowing),
    a0: all.length > 0 ? heatDose(all, 1) : null,
    stuck,
  }
}

const least = (values: readonly number[]) => (values.length > 0 ? Math.min(...values) : null)
const most = (values: readonly number[]) => (values.length > 0 ? Math.max(...values) : null)

function spanOf(column: Float32Array): number {
  let [lo, hi] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY]
  for (const v of column) {
    if (v < lo) lo = v
    if (v > hi) hi = v
  }
  return hi - lo
}

/** The values at some indices, each as the middle one of itself and its neighbours among them: one false sample decides nothing. */
function smooth(column: Float32Array, of: readonly number[]): number[] {
  const read = of.map((i) => column[i] as number).filter((v) => !Number.isNaN(v))
  return read.map((v, i) => {
    const [a, c] = [read[i - 1] ?? read[i + 1] ?? v, read[i + 1] ?? read[i - 1] ?? v]
    return Math.max(Math.min(a, v), Math.min(Math.max(a, v), c))
  })
}

/** Below this the heat dose counts nothing. From memory of ISO 15883-1. */
const leastCounted = 65

/**
 * Heat dose A0 in seconds at 80 °C: the sum of 10^((T - 80) / 10) over time, from 65 °C up. @param temperatures °C.
 * @param step seconds between them. Source: ISO 15883-1, z = 10 °C.
 */
export const heatDose = (temperatures: readonly number[], step: number): number =>
  temperatures.reduce((sum, c) => (c < leastCounted ? sum : sum + 10 ** ((c - 80) / 10) * step), 0)
