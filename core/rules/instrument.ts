import { interval, point, type Instant, type Interval } from '../quantity/index.ts'
import { Refusal } from '../refusal/index.ts'
import { modelCode } from './profile.ts'

/** A test strip product: the values of its colour blocks, palest first, in `unit`. The last block is open above. */
export interface Strip {
  readonly name: string
  readonly blocks: readonly number[]
  readonly unit: 'ppm' | 'pH'
  readonly bestBefore?: Instant | undefined
}

/** What was seen: the block it matches, the gap between two neighbours, or a colour beyond the darkest block. */
export type StripPick =
  | { readonly matches: number }
  | { readonly between: readonly [number, number] }
  | { readonly darkerThan: number }

/**
 * What "matches" says of one block: nearer to it than to its neighbours. The palest is no floor: it reaches from nothing (of a pH
 * strip: from anything) up to the middle towards its neighbour; the darkest stays open above.
 */
export function matching(strip: Pick<Strip, 'blocks' | 'unit'>, at: number): Interval {
  const { blocks, unit } = strip
  const [value, below, above] = [blocks[at], blocks[at - 1], blocks[at + 1]]
  if (value === undefined) throw new Refusal('strip_block_unknown', { field: 'strip' })
  return interval(
    below === undefined ? (unit === 'pH' ? null : 0) : (below + value) / 2,
    above === undefined ? null : (above + value) / 2,
  )
}

/**
 * The reading of a strip as an interval: see `matching`; "between" is the gap, "darker than the darkest" is open above.
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
  if ('darkerThan' in pick) {
    if (pick.darkerThan !== blocks.at(-1)) throw new Refusal('strip_block_unknown', { field: 'strip' })
    return interval(pick.darkerThan, null)
  }
  return matching(strip, blocks.indexOf(pick.matches))
}

/** A thermometer, gauge or meter. Accuracy is in the instrument's own unit, either way. */
export interface Instrument {
  readonly name: string
  readonly unit: '°C' | '°F'
  readonly accuracy: number
  readonly checkDue: Instant
  /** Its last check in melting ice was out: until one passes it tells nothing. */
  readonly failed?: boolean | undefined
}

/** What a thermometer is put into: food is read finer than water and air. */
export type Medium = 'food' | 'water'

/** Accuracy that the code asks of thermometers, either way: FDA Food Code 2022, 4-203.11 (food) and 4-203.12 (water, air). */
export const codeAccuracy = {
  food: { '°C': modelCode.accuracy.food.c, '°F': modelCode.accuracy.food.f },
  water: { '°C': modelCode.accuracy.water.c, '°F': modelCode.accuracy.water.f },
} as const

export interface IcePoint {
  /** How far off it read, in its own unit. */
  readonly off: number
  readonly verdict: 'in' | 'out'
}

/**
 * A thermometer in melting ice, which is 0 °C (32 °F): within what the code asks of food thermometers, the finer of its
 * two accuracies, so that a probe may serve for both. Source: FDA Food Code 2022, 4-203.11; the ice point by definition
 * of the Celsius scale at atmospheric pressure.
 * @example icePoint(0.4, '°C') // { off: 0.4, verdict: 'in' }
 */
export function icePoint(read: number, unit: '°C' | '°F'): IcePoint {
  const off = read - (unit === '°C' ? 0 : 32)
  return { off, verdict: Math.abs(off) <= codeAccuracy.food[unit] ? 'in' : 'out' }
}

/**
 * What a reading stands for: a point where the instrument is accurate enough for what it reads and its check is not past due, as
 * inspectors read it; else an interval as wide as its accuracy (or as the code's allowance where no instrument is named).
 * Null where the instrument failed its check: it tells nothing.
 */
export function instrumentReading(
  value: number,
  unit: '°C' | '°F',
  instrument: Instrument | null,
  now: Instant,
  medium: Medium,
): Interval | null {
  if (instrument?.failed) return null
  const allowed = codeAccuracy[medium][unit]
  const accuracy = instrument?.accuracy ?? allowed
  const trusted = instrument !== null && accuracy <= allowed && now <= instrument.checkDue
  return trusted ? point(value) : interval(value - accuracy, value + accuracy)
}
