import { interval, point, type Instant, type Interval } from '../quantity/index.ts'
import { Refusal } from '../refusal/index.ts'

/** A test strip product: the values of its colour blocks, lowest first, in `unit`. The last block is open above. */
export interface Strip {
  readonly name: string
  readonly blocks: readonly number[]
  readonly unit: 'ppm' | 'pH'
  readonly bestBefore?: Instant | undefined
}

/** What was seen: the block it matches, or the gap between two neighbours. */
export type StripPick = { readonly matches: number } | { readonly between: readonly [number, number] }

/**
 * The reading of a strip as an interval: "matches 100" is nearer to 100 than to its neighbours; "between" is the gap.
 * @param now instant of the test, to hold against the strip's date.
 * Throws `strip_void` (past its date), `strip_block_unknown`. Common practice, no source.
 * Example: blocks 0, 50, 100, 200: matches 100 is 75 to 150.
 */
export function stripReading(strip: Strip, pick: StripPick, now: Instant): Interval {
  if (strip.bestBefore !== undefined && now > strip.bestBefore)
    throw new Refusal('strip_void', { field: 'strip' })
  const { blocks } = strip
  if ('between' in pick) {
    const at = blocks.indexOf(pick.between[0])
    if (at < 0 || blocks[at + 1] !== pick.between[1])
      throw new Refusal('strip_block_unknown', { field: 'strip' })
    return interval(pick.between[0], pick.between[1])
  }
  const at = blocks.indexOf(pick.matches)
  if (at < 0) throw new Refusal('strip_block_unknown', { field: 'strip' })
  const below = blocks[at - 1]
  const above = blocks[at + 1]
  return interval(
    below === undefined ? pick.matches : (below + pick.matches) / 2,
    above === undefined ? null : (above + pick.matches) / 2,
  )
}

/** A thermometer, gauge or meter. Accuracy is in the instrument's own unit, either way. */
export interface Instrument {
  readonly name: string
  readonly unit: '°C' | '°F'
  readonly accuracy: number
  readonly checkDue: Instant
}

/** Accuracy that the code asks of water and air thermometers: FDA Food Code 2022, 4-203.12. */
export const codeAccuracy = { '°C': 1.5, '°F': 3 } as const

/** Accuracy that the code asks of food thermometers: FDA Food Code 2022, 4-203.11. */
export const foodAccuracy = { '°C': 1, '°F': 2 } as const

export interface IcePoint {
  /** How far off it read, in its own unit. */
  readonly off: number
  readonly verdict: 'in' | 'out'
}

/**
 * A thermometer in melting ice, which is 0 °C (32 °F): within what the code asks of food thermometers, the finer of its
 * two accuracies, so that a probe may serve for both. Source: FDA Food Code 2022, 4-203.11; the ice point by definition
 * of the Celsius scale at atmospheric pressure.
 */
export function icePoint(read: number, unit: '°C' | '°F'): IcePoint {
  const off = read - (unit === '°C' ? 0 : 32)
  return { off, verdict: Math.abs(off) <= foodAccuracy[unit] ? 'in' : 'out' }
}

/**
 * What a reading stands for: a point where the instrument is accurate enough and its check is not past due, as
 * inspectors read it; else an interval as wide as its accuracy (or as the code's allowance where none is known).
 */
export function instrumentReading(
  value: number,
  unit: '°C' | '°F',
  instrument: Instrument | null,
  now: Instant,
): Interval {
  const accuracy = instrument?.accuracy ?? codeAccuracy[unit]
  const trusted =
    instrument !== null && instrument.accuracy <= codeAccuracy[unit] && now <= instrument.checkDue
  return trusted ? point(value) : interval(value - accuracy, value + accuracy)
}
