import { interval, within, type Interval } from '../quantity/index.ts'
import { Refusal } from '../refusal/index.ts'
import { matching, type Strip } from './instrument.ts'

/**
 * A titration kit: drops counted times ppm a drop, half a drop either way.
 * @param drops whole drops, zero or more; @param perDrop ppm. Throws `not_a_number`, `negative_quantity`. Common practice, no source.
 * @example titrationReading(4, 50) // { lo: 175, hi: 225 }
 */
export function titrationReading(drops: number, perDrop: number): Interval {
  if (!Number.isInteger(drops) || !Number.isFinite(perDrop))
    throw new Refusal('not_a_number', { field: 'drops' })
  if (drops < 0 || perDrop <= 0) throw new Refusal('negative_quantity', { field: 'drops' })
  return interval(Math.max(0, (drops - 0.5) * perDrop), (drops + 0.5) * perDrop)
}

/** All readings that a strip can give: each block, each gap. */
export function possibleReadings(
  strip: StripBlocks,
): { readonly reading: Interval; readonly block: number | null }[] {
  return strip.blocks.flatMap((value, i) => {
    const beyond = { reading: interval(value, strip.blocks[i + 1] ?? null), block: null }
    return [{ reading: matching(strip, i), block: value }, beyond]
  })
}
type StripBlocks = Pick<Strip, 'blocks' | 'unit'>

export interface StripFit {
  /** Whether any reading of the strip can show the band as in. */
  readonly canShow: boolean
  /** Blocks that, matched, are wholly inside; empty where none is. */
  readonly blocksInside: readonly number[]
}

/**
 * Whether a strip can show a band at all: with blocks 0, 50, 100, 200 no reading lies wholly within 50 to 99, so the strip
 * and the product do not go together.
 * @param band ppm.
 */
export function stripFit(strip: StripBlocks, band: Interval): StripFit {
  const inside = possibleReadings(strip).filter((p) => within(p.reading, band))
  return { canShow: inside.length > 0, blocksInside: inside.flatMap((p) => p.block ?? []) }
}

/**
 * Whether what is mixed to a strength can be seen to be in: its block is wholly inside, or it lies well within a gap that is, a
 * quarter of the gap from either block. @param wanted ppm. Common practice, no source.
 */
export function isShowable(strip: StripBlocks, band: { lo: number; hi: number }, wanted: number): boolean {
  return strip.blocks.some((value, i) => {
    const next = strip.blocks[i + 1]
    const meant = next === undefined ? null : (next - value) / 4
    const inGap = next !== undefined && meant !== null && wanted >= value + meant && wanted <= next - meant
    if (inGap) return within(interval(value, next), band)
    const matches = matching(strip, i)
    return within(interval(wanted, wanted), matches) && within(matches, band)
  })
}

/** A target inside the band that the strip shows best: the block wholly inside nearest to `wanted`, or null. ppm. */
export function showableTarget(
  strip: StripBlocks,
  band: { lo: number; hi: number },
  wanted = (band.lo + band.hi) / 2,
): number | null {
  const { blocksInside } = stripFit(strip, band)
  return blocksInside.toSorted((a, b) => Math.abs(a - wanted) - Math.abs(b - wanted))[0] ?? null
}
