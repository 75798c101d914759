import { interval, millilitres, type Interval, type Millilitres, type Ppm } from '../quantity/index.ts'
import { Refusal } from '../refusal/index.ts'

export interface TopUp {
  readonly concentrate: Millilitres
  readonly water: Millilitres
  /** What the whole bath will then read, mg/L. */
  readonly after: Interval
  /** Whether that lies in the band whatever it read. */
  readonly safe: boolean
}

/**
 * Fills a bath that has lost volume back up, so that the whole comes to the target.
 * @param volume millilitres in it now; @param reading mg/L as an interval, bounded; @param to millilitres wanted;
 * @param stock, target mg/L; @param band mg/L.
 * Throws `vessel_too_small` where `to` is not more than what is in it, `stock_too_weak`, `not_a_number` for an unbounded reading.
 * Source: mass balance.
 */
export function topUp(
  volume: Millilitres,
  reading: Interval,
  to: Millilitres,
  stock: Ppm,
  target: Ppm,
  band: { lo: number; hi: number },
): TopUp {
  if (to <= volume) throw new Refusal('vessel_too_small', { field: 'to' })
  if (stock <= target) throw new Refusal('stock_too_weak', { field: 'stock', stock, target })
  const { lo, hi } = reading
  if (lo === null || hi === null) throw new Refusal('not_a_number', { field: 'reading' })
  const missing = (to * target - volume * ((lo + hi) / 2)) / stock
  // Never past the band, were it as strong as it may be.
  const most = (to * band.hi - volume * hi) / stock
  const concentrate = Math.min(Math.max(0, Math.min(missing, most)), to - volume)
  const becomes = (c: number) => (volume * c + stock * concentrate) / to
  const after = interval(becomes(lo), becomes(hi))
  return {
    concentrate: millilitres(concentrate),
    water: millilitres(to - volume - concentrate),
    after,
    safe: becomes(lo) >= band.lo && becomes(hi) <= band.hi,
  }
}
