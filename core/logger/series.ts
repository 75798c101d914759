import { interval } from '../quantity/index.ts'
import { judgeSurface, layLocalRules, type LocalRule, type Verdict } from '../rules/index.ts'
import { doorBit, heatDose, part, pumpBit, valveBit, type Trace } from '../warewash/index.ts'
import type { Measure } from './mapping.ts'
import type { LoggerSeries } from './reader.ts'

export interface LoggerSummary {
  readonly rows: number
  readonly doubled: number
  /** Milliseconds UTC. */
  readonly from: number
  readonly to: number
  /** The usual time between two rows, ms; null where there is one row. */
  readonly step: number | null
  /** Stretches in which rows are missing: how many, their whole time in ms, and the longest of them. */
  readonly gaps: {
    readonly count: number
    readonly lasting: number
    readonly longest: readonly { readonly from: number; readonly to: number }[]
  }
  readonly columns: readonly {
    readonly measures: Measure
    readonly low: number | null
    readonly high: number | null
    readonly unread: number
  }[]
}

/** Rows further apart than so many usual steps have a gap between them. */
const gapSteps = 3
const gapsTold = 20

/** What a series holds. */
export function summaryOf(s: LoggerSeries): LoggerSummary {
  const { at } = s
  const apart = at.slice(1).map((t, i) => t - (at[i] as number))
  const step = apart.length > 0 ? (apart.slice().sort()[apart.length >> 1] ?? null) : null
  const gaps: { from: number; to: number }[] = []
  let lasting = 0
  if (step !== null)
    apart.forEach((ms, i) => {
      if (ms <= gapSteps * step) return
      gaps.push({ from: at[i] as number, to: at[i + 1] as number })
      lasting += ms - step
    })
  const longest = gaps.toSorted((a, b) => b.to - b.from - (a.to - a.from)).slice(0, gapsTold)
  return {
    rows: at.length,
    doubled: s.doubled,
    from: at[0] ?? 0,
    to: at.at(-1) ?? 0,
    step,
    gaps: { count: gaps.length, lasting, longest: longest.toSorted((a, b) => a.from - b.from) },
    columns: s.columns.map(({ measures, values }) => ({ measures, ...extremes(values) })),
  }
}

function extremes(values: Float32Array) {
  let [low, high, unread] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY, 0]
  for (const v of values) {
    if (v !== v) unread++
    if (v < low) low = v
    if (v > high) high = v
  }
  const kept = (v: number) => (Number.isFinite(v) ? Math.round(v * 100) / 100 : null)
  return { low: kept(low), high: kept(high), unread }
}

/** Rows this far apart, ms, still tell a machine's cycles second by second. */
const cutStep = 1500

/** A series of a machine: a trace by seconds since its first row, and the tank's conductivity beside it, mS/cm. */
export interface MachineTrace {
  readonly trace: Trace
  readonly conductivity: Float32Array
}

/** A series as a machine's trace, to be cut into cycles; null where pump, valve and rinse are not in it, or its rows lie too far apart. */
export function machineTraceIn(s: LoggerSeries, step: number | null): MachineTrace | null {
  const of = (m: Measure) => s.columns.find((c) => c.measures === m)?.values
  const [pump, valve, door, rinse] = [of('pump'), of('valve'), of('door'), of('rinse')]
  if (!pump || !valve || !rinse || step === null || step > cutStep) return null
  const n = s.at.length
  const trace: Trace = {
    at: new Float64Array(n),
    tank: new Float32Array(n),
    rinse: new Float32Array(n),
    pressure: new Float32Array(n),
    on: new Uint8Array(n),
  }
  const conductivity = new Float32Array(n)
  let kept = 0
  const begin = s.at[0] ?? 0
  for (let i = 0; i < n; i++) {
    const second = Math.round(((s.at[i] as number) - begin) / 1000)
    if (kept > 0 && trace.at[kept - 1] === second) continue
    trace.at[kept] = second
    trace.tank[kept] = of('tank')?.[i] ?? Number.NaN
    trace.rinse[kept] = rinse[i] as number
    trace.pressure[kept] = of('pressure')?.[i] ?? Number.NaN
    conductivity[kept] = of('conductivity')?.[i] ?? Number.NaN
    trace.on[kept] =
      (pump[i] === 1 ? pumpBit : 0) | (valve[i] === 1 ? valveBit : 0) | (door?.[i] === 1 ? doorBit : 0)
    kept++
  }
  return { trace: part(trace, 0, kept), conductivity: conductivity.subarray(0, kept) }
}

/** One ride of a logger through the machine: how hot the ware's surface became. */
export interface Pass {
  /** Milliseconds UTC. */
  readonly from: number
  readonly to: number
  /** °C. */
  readonly highest: number
  /** Heat dose at the surface, s at 80 °C: a help, decides nothing. */
  readonly a0: number
  readonly verdict: Verdict
}

/** A ride begins above the first and ends below the second, °C. Common practice, no source: ware comes in cold and cools on the shelf. */
const ride = { begins: 50, ends: 45 } as const
const longestRideMs = 30 * 60_000

/**
 * The rides in a series of the ware's surface, judged by the hottest it became: 71 °C or more. A false single reading decides nothing
 * where there are several. @param accuracy °C either way; null is "cannot tell". @param local the authority's rules in force.
 * Source: FDA Food Code 2022, 4-703.11(B).
 */
export function passesIn(
  s: LoggerSeries,
  step: number | null,
  accuracy: number | null,
  local: readonly LocalRule[] = [],
): Pass[] {
  const values = s.columns.find((c) => c.measures === 'ware')?.values
  if (!values || step === null) return []
  const passes: Pass[] = []
  let begin = -1
  const close = (end: number) => {
    const hot = Array.from(values.subarray(begin, end)).filter((v) => v === v)
    const [from, to] = [s.at[begin] as number, s.at[end - 1] as number]
    // What stays hot for longer was a cabinet, not a machine.
    if (hot.length > 0 && to - from <= longestRideMs) passes.push(judged(hot, from, to))
    begin = -1
  }
  const judged = (hot: readonly number[], from: number, to: number): Pass => {
    const highest = hot.length < 3 ? Math.max(...hot) : (hot.toSorted((a, b) => b - a)[1] as number)
    const surface =
      accuracy === null
        ? null
        : { unit: '°C' as const, reading: interval(highest - accuracy, highest + accuracy) }
    return {
      from,
      to,
      highest: Math.round(highest * 100) / 100,
      a0: Math.round(heatDose(hot, step / 1000) * 10) / 10,
      verdict: layLocalRules(judgeSurface(surface), local).overall,
    }
  }
  for (let i = 0; i < values.length; i++) {
    const v = values[i] as number
    const gap = i > 0 && (s.at[i] as number) - (s.at[i - 1] as number) > gapSteps * step
    if (begin >= 0 && (gap || v < ride.ends)) close(i)
    if (begin < 0 && v >= ride.begins) begin = i
  }
  if (begin >= 0) close(values.length)
  return passes
}
