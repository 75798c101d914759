import {
  interval,
  middle,
  millilitres,
  within,
  type Interval,
  type Millilitres,
  type Ppm,
} from '../quantity/index.ts'
import { Refusal } from '../refusal/index.ts'
import { nearestMark } from './pour.ts'
import type { MeasuringTool } from './supply.ts'

export interface Bath {
  readonly volume: Millilitres
  readonly capacity: Millilitres
  /** What it reads, mg/L, as an interval. */
  readonly reading: Interval
  /** Why correcting would be unsafe, if it would. */
  readonly spoiled?: 'soiled' | 'old' | 'cold' | 'detergent' | undefined
}

export type Move = 'none' | 'strengthen' | 'weaken' | 'drain-refill' | 'remix'

export interface Correction {
  readonly move: Move
  /** Concentrate or water to add, millilitres on the tool's marks; for drain-refill, what to drain and put back. */
  readonly amount: Millilitres
  /** What the bath will then read, mg/L. Null for remix. */
  readonly after: Interval | null
  /** Whether that lies in the band whatever the bath reads now, within the reading. */
  readonly safe: boolean
  /** Where no single addition is safe: add this much, test, then decide on the rest. */
  readonly first: Millilitres | null
  readonly why: 'already-in' | 'fits' | 'no-room' | 'reading-too-wide' | 'spoiled' | 'drain-needed'
}

const remix = (why: Correction['why']): Correction => ({
  move: 'remix',
  amount: millilitres(0),
  after: null,
  safe: false,
  first: null,
  why,
})

/**
 * The way back into the band for a bath that reads wrong or too close.
 * @param bath volumes in millilitres, reading in mg/L; @param stock mg/L; @param band mg/L, bounded;
 * @param tool what the concentrate is measured in.
 * Returns a move that is safe for every value in the reading where there is one, else one split by a test.
 * Throws `stock_too_weak`, `volume_is_zero`.
 * Source: mass balance. Strengthen by V·(target-c)/(stock-target); weaken by V·(c/target-1) of water, or
 * drain V·(1-target/c) and refill.
 * Example: 30 L at 100 ppm, 10 % stock, target 200: 30.1 mL. 30 L at 400, target 200: 30 L of water, or drain 15 L.
 */
export function correct(
  bath: Bath,
  stock: Ppm,
  band: { lo: number; hi: number },
  tool: MeasuringTool,
): Correction {
  if (bath.volume <= 0) throw new Refusal('volume_is_zero', { field: 'volume' })
  if (stock <= band.hi) throw new Refusal('stock_too_weak', { field: 'stock', stock, target: band.hi })
  if (bath.spoiled) return remix('spoiled')
  const { lo, hi } = bath.reading
  if (lo === null || hi === null) return remix('reading-too-wide')
  if (within(bath.reading, band))
    return {
      move: 'none',
      amount: millilitres(0),
      after: bath.reading,
      safe: true,
      first: null,
      why: 'already-in',
    }
  if (lo < band.lo && hi > band.hi) return remix('reading-too-wide')
  return lo < band.lo ? strengthen(bath, { lo, hi }, stock, band, tool) : weaken(bath, { lo, hi }, band, tool)
}

type Bounded = { lo: number; hi: number }

/** Concentrate that brings a bath of `volume` from `from` to `to`, mg/L. */
const addition = (volume: number, from: number, to: number, stock: number) =>
  (volume * (to - from)) / (stock - to)

function strengthen(bath: Bath, c: Bounded, stock: Ppm, band: Bounded, tool: MeasuringTool): Correction {
  const least = Math.max(0, addition(bath.volume, c.lo, band.lo, stock))
  const most = addition(bath.volume, c.hi, band.hi, stock)
  const aim = addition(bath.volume, middle(c), middle(band), stock)
  const safe = markBetween(aim, least + tool.error, most - tool.error, tool.graduation)
  const amount = millilitres(safe ?? Math.max(tool.graduation, nearestMark(aim, tool.graduation)))
  if (bath.volume + amount > bath.capacity) return remix('no-room')
  const becomes = (from: number, poured: number) =>
    (from * bath.volume + stock * poured) / (bath.volume + poured)
  return {
    move: 'strengthen',
    amount,
    after: interval(becomes(c.lo, Math.max(0, amount - tool.error)), becomes(c.hi, amount + tool.error)),
    safe: safe !== null,
    first:
      safe === null ? millilitres(Math.max(tool.graduation, nearestMark(aim / 2, tool.graduation))) : null,
    why: safe === null ? 'reading-too-wide' : 'fits',
  }
}

/** Water is measured far more coarsely than concentrate: to the quarter litre. */
const waterMark = 250

function weaken(bath: Bath, c: Bounded, band: Bounded, tool: MeasuringTool): Correction {
  const mark = Math.min(waterMark, Math.max(tool.graduation, bath.volume / 20))
  const least = bath.volume * (c.hi / band.hi - 1)
  const most = bath.volume * (c.lo / band.lo - 1)
  const aim = bath.volume * (middle(c) / middle(band) - 1)
  const water = markBetween(aim, least, most, mark)
  const wanted = water ?? nearestMark(aim, mark)
  if (bath.volume + wanted > bath.capacity) return drain(bath, c, band, mark)
  const factor = bath.volume / (bath.volume + wanted)
  return {
    move: 'weaken',
    amount: millilitres(wanted),
    after: interval(c.lo * factor, c.hi * factor),
    safe: water !== null,
    first: water === null ? millilitres(nearestMark(wanted / 2, mark)) : null,
    why: water === null ? 'reading-too-wide' : 'fits',
  }
}

function drain(bath: Bath, c: Bounded, band: Bounded, mark: number): Correction {
  const least = bath.volume * (1 - band.hi / c.hi)
  const most = bath.volume * (1 - band.lo / c.lo)
  const aim = bath.volume * (1 - middle(band) / middle(c))
  const drained = markBetween(aim, least, most, mark)
  const wanted = Math.min(drained ?? nearestMark(aim, mark), bath.volume)
  const left = 1 - wanted / bath.volume
  return {
    move: 'drain-refill',
    amount: millilitres(wanted),
    after: interval(c.lo * left, c.hi * left),
    safe: drained !== null,
    first: drained === null ? millilitres(nearestMark(wanted / 2, mark)) : null,
    why: 'drain-needed',
  }
}

/** The mark nearest to `aim` that lies from `least` to `most`, or null where no mark does. */
function markBetween(aim: number, least: number, most: number, mark: number): number | null {
  if (least > most) return null
  const wanted = Math.min(Math.max(aim, least), most)
  const down = Number((Math.floor(wanted / mark) * mark).toPrecision(12))
  const candidates = [nearestMark(wanted, mark), down, Number((down + mark).toPrecision(12))]
  return candidates.find((value) => value >= least && value <= most && value >= 0) ?? null
}
