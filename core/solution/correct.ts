import { interval, within } from '../quantity/index.ts'
import { Refusal } from '../refusal/index.ts'
import { anew, type Band, type Bath, type Correction } from './correction.ts'
import { dilute } from './dilute.ts'
import type { Measure } from './measures.ts'
import { strengthen } from './strengthen.ts'
import type { Supply } from './supply.ts'

/**
 * The way back into the band for a bath that reads wrong or too close.
 * @param bath volumes in millilitres, reading in mg/L; @param supply what it is made of: nothing else is ever added to it;
 * @param band mg/L, what label and code allow; @param measures what the product can be measured out with.
 * Returns a move that is safe for every value in the reading where there is one, else a first part that passes the band's upper end
 * at no value in the reading and for no error of the tool, followed by a test; else to mix it anew, and why.
 * Throws `volume_is_zero`, `stock_too_weak`.
 * Source: mass balance. Strengthen by V·(target-c)/(stock-target); weaken by V·(c/target-1) of water, or
 * drain V·(1-target/c) and refill.
 * Example: 30 L at 100 ppm, 10 % stock, target 200: 30.1 mL. 30 L at 400, target 200: 30 L of water, or drain 15 L.
 */
export function correct(bath: Bath, supply: Supply, band: Band, measures: readonly Measure[]): Correction {
  if (bath.volume !== null && bath.volume <= 0) throw new Refusal('volume_is_zero', { field: 'volume' })
  if (bath.spoiled) return anew('spoiled')
  const lo = bath.reading.lo ?? 0
  const { hi } = bath.reading
  const read = interval(lo, hi)
  if (within(read, band))
    return {
      move: 'none',
      amount: 0,
      unit: 'mL',
      tool: null,
      after: read,
      safe: true,
      why: 'already-in',
    }
  if (lo >= band.lo) return dilute(bath, { lo, hi }, band)
  if (hi === null || hi > band.hi) return anew('reading-too-wide')
  return strengthen(bath, { lo, hi }, supply, band, measures)
}
