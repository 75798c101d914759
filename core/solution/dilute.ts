import { interval, within, type Interval } from '../quantity/index.ts'
import { anew, type Band, type Bath, type Correction } from './correction.ts'
import { safeMark, type Measure } from './measures.ts'

/** Water is measured far more coarsely than concentrate: to the quarter litre, half a mark either way. */
const waterMark = 250
/** Parts of a bath that people pour off by eye, and how far off they are, either way. Common practice, no source. */
const shares = [1 / 4, 1 / 3, 1 / 2, 2 / 3, 3 / 4]
const byEye = 0.05

/** Water, so that the bath comes down into the band. @param c mg/L, its lower end no lower than the band's. */
export function dilute(bath: Bath, c: Interval & { readonly lo: number }, band: Band): Correction {
  if (bath.volume === null || c.hi === null) return pourOff(bath, c, band)
  const volume: number = bath.volume
  const known = { lo: c.lo, hi: c.hi }
  const mark = Math.min(waterMark, Math.max(1, Math.round(volume / 20)))
  const water: Measure = { tool: null, unit: 'mL', mark, holds: null, error: mark / 2 }
  const added = move(known, band, water, {
    aim: volume * (middleOf(known) / middleOf(band) - 1),
    least: volume * (known.hi / band.hi - 1),
    most: volume * (known.lo / band.lo - 1),
    left: (amount) => volume / (volume + amount),
  })
  if (added && volume + added.amount <= (bath.capacity ?? Infinity))
    return { ...added, move: 'weaken', unit: 'mL', tool: null }
  const drained = move(known, band, water, {
    aim: volume * (1 - middleOf(band) / middleOf(known)),
    least: volume * (1 - band.hi / known.hi),
    most: volume * (1 - band.lo / known.lo),
    left: (amount) => Math.max(0, 1 - amount / volume),
  })
  if (drained) return { ...drained, move: 'drain-refill', unit: 'mL', tool: null }
  return anew('reading-too-wide')
}

const middleOf = ({ lo, hi }: Band) => (lo + hi) / 2

interface Way {
  readonly aim: number
  /** mL by which the upper end comes under the band's, and at which the lower end leaves it. */
  readonly least: number
  readonly most: number
  /** The share of its strength that is left. */
  readonly left: (amount: number) => number
}

/** An amount of water that is safe at both ends, or a first part that takes the lower end no lower than the band. */
function move(
  c: Band,
  band: Band,
  water: Measure,
  way: Way,
): Pick<Correction, 'amount' | 'after' | 'safe' | 'why'> | null {
  const whole = safeMark(water, way.aim, way.least, way.most)
  const amount = whole ?? safeMark(water, way.aim / 2, -Infinity, way.most)
  if (amount === null) return null
  const after = interval(c.lo * way.left(amount + water.error), c.hi * way.left(amount - water.error))
  return {
    amount,
    after,
    safe: whole !== null && within(after, band),
    why: whole === null ? 'first-part' : 'fits',
  }
}

/** A part poured off and replaced by water: where nobody knows how much is in it, or how strong it is at most. */
function pourOff(bath: Bath, c: Interval & { readonly lo: number }, band: Band): Correction {
  const after = (share: number) =>
    interval(c.lo * (1 - share - byEye), c.hi === null ? null : c.hi * (1 - share + byEye))
  const safe = shares.filter((s) => within(after(s), band))
  const keeps = shares.filter((s) => c.lo * (1 - s - byEye) >= band.lo)
  // A half is what people can do; less where a half is too much.
  const share = nearest(safe) ?? nearest(keeps)
  if (share === null) return anew('reading-too-wide')
  const amount = bath.volume === null ? share : bath.volume * share
  return {
    move: 'drain-refill',
    amount,
    unit: bath.volume === null ? 'share' : 'mL',
    tool: null,
    after: after(share),
    safe: safe.length > 0,
    why: safe.length > 0 ? 'fits' : 'first-part',
  }
}

const nearest = (some: readonly number[]): number | null =>
  some.toSorted((a, b) => Math.abs(a - 0.5) - Math.abs(b - 0.5))[0] ?? null
