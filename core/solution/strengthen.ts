import { interval, type Millilitres } from '../quantity/index.ts'
import { Refusal } from '../refusal/index.ts'
import { anew, type Band, type Bath, type Correction } from './correction.ts'
import { mayBe, safeMark, type Measure } from './measures.ts'
import type { Supply } from './supply.ts'

/** How a bath of one volume answers to an amount of the product: what it then reads, and what it takes to get there. */
interface Answer {
  /** mg/L after so much was added to a bath of `from` mg/L. */
  readonly becomes: (from: number, amount: number) => number
  /** The amount that brings it from one strength to another, mg/L. */
  readonly takes: (from: number, to: number) => number
}

/** Powder and pieces take no room, as leaflets reckon; a liquid does. Null where the label names no strength. */
function answerOf(volume: Millilitres, supply: Supply, most: number): Answer | null {
  if (supply.kind === 'strength') {
    const { stock } = supply
    if (stock <= most) throw new Refusal('stock_too_weak', { field: 'stock', stock, target: most })
    return {
      becomes: (from, amount) => (from * volume + stock * amount) / (volume + amount),
      takes: (from, to) => (volume * (to - from)) / (stock - to),
    }
  }
  const perUnit =
    supply.kind === 'powder'
      ? (supply.active * 1e6) / volume
      : supply.kind === 'pieces'
        ? (supply.active * 1000) / volume
        : null
  if (perUnit === null) return null
  return { becomes: (from, amount) => from + perUnit * amount, takes: (from, to) => (to - from) / perUnit }
}

/** Easiest first: filled once, then the finest marks. */
const finest = (a: Measure, b: Measure) => a.mark - b.mark

/** More of the product, so that the bath comes into the band. @param c mg/L, its upper end no higher than the band's. */
export function strengthen(
  bath: Bath,
  c: Band,
  supply: Supply,
  band: Band,
  measures: readonly Measure[],
): Correction {
  if (bath.volume === null) return anew('volume-unknown')
  const answer = answerOf(bath.volume, supply, band.hi)
  if (!answer) return anew('strength-unknown')
  if (measures.length === 0) return anew('no-tool')
  const least = answer.takes(c.lo, band.lo)
  const most = answer.takes(c.hi, band.hi)
  if (most <= 0) return anew('reading-too-wide')
  const aim = answer.takes((c.lo + c.hi) / 2, (band.lo + band.hi) / 2)
  const options = measures.toSorted(finest)
  const whole = firstOf(options, (m) => safeMark(m, aim, least, most))
  // Half of it, a test, then the rest: never past the band at the reading's upper end.
  const found = whole ?? firstOf(options, (m) => safeMark(m, aim / 2, -Infinity, Math.min(aim, most)))
  if (!found) return anew('tool-too-coarse')
  const { measure, amount } = found
  const room = bath.capacity === null ? Infinity : bath.capacity - bath.volume
  if (measure.unit === 'mL' && amount > room) return anew('no-room')
  const real = mayBe(measure, amount)
  return {
    move: 'strengthen',
    amount,
    unit: measure.unit,
    tool: measure.tool,
    after: interval(answer.becomes(c.lo, real.lo ?? 0), answer.becomes(c.hi, real.hi ?? 0)),
    safe: whole !== null,
    why: whole === null ? 'first-part' : 'fits',
  }
}

/** The first measure that has a fitting mark within one filling; else the first that has one at all. */
function firstOf(
  options: readonly Measure[],
  markOf: (m: Measure) => number | null,
): { readonly measure: Measure; readonly amount: number } | null {
  const fitting = options.flatMap((measure) => {
    const amount = markOf(measure)
    return amount === null ? [] : [{ measure, amount }]
  })
  return fitting.find((f) => f.measure.holds === null || f.amount <= f.measure.holds) ?? fitting[0] ?? null
}
