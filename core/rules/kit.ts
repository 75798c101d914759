import { interval, within, type Interval } from '../quantity/index.ts'
import { Refusal } from '../refusal/index.ts'
import type { Strip } from './instrument.ts'

/**
 * A titration kit: drops counted times ppm a drop, half a drop either way.
 * @param drops whole drops, zero or more; @param perDrop ppm. Throws `not_a_number`, `negative_quantity`. Common practice, no source.
 */
export function titrationReading(drops: number, perDrop: number): Interval {
  if (!Number.isInteger(drops) || !Number.isFinite(perDrop))
    throw new Refusal('not_a_number', { field: 'drops' })
  if (drops < 0 || perDrop <= 0) throw new Refusal('negative_quantity', { field: 'drops' })
  return interval(Math.max(0, (drops - 0.5) * perDrop), (drops + 0.5) * perDrop)
}

/** All readings that a strip can give: each block, each gap. */
export function possibleReadings(
  strip: Pick<Strip, 'blocks'>,
): { readonly reading: Interval; readonly block: number | null }[] {
  const { blocks } = strip
  return blocks.flatMap((value, i) => {
    const [below, above] = [blocks[i - 1], blocks[i + 1]]
    const matches = interval(
      below === undefined ? value : (below + value) / 2,
      above === undefined ? null : (above + value) / 2,
    )
    const gap = above === undefined ? [] : [{ reading: interval(value, above), block: null }]
    return [{ reading: matches, block: value }, ...gap]
  })
}

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
export function stripFit(strip: Pick<Strip, 'blocks'>, band: Interval): StripFit {
  const inside = possibleReadings(strip).filter((p) => within(p.reading, band))
  return { canShow: inside.length > 0, blocksInside: inside.flatMap((p) => p.block ?? []) }
}

/** A target inside the band that the strip shows best: the block wholly inside nearest to the middle, or null. ppm. */
export function showableTarget(
  strip: Pick<Strip, 'blocks'>,
  band: { lo: number; hi: number },
): number | null {
  const { blocksInside } = stripFit(strip, band)
  const middle = (band.lo + band.hi) / 2
  const best = blocksInside.toSorted((a, b) => Math.abs(a - middle) - Math.abs(b - middle))[0]
  return best ?? null
}
