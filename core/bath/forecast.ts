import { instant, type Instant } from '../quantity/index.ts'
import type { BathState } from './fold.ts'
import { forecastBath, lossFitted, lossPrior } from './decay.ts'

export interface BathOutlook {
  /** ppm that it is not to fall below. */
  readonly least: number
  readonly testBy: Instant | null
  readonly likely: Instant | null
  readonly earliest: Instant | null
  readonly latest: Instant | null
  /** How many readings it rests on; 0 is what is usual alone. */
  readonly readings: number
}

const hourMs = 3_600_000

/** What is known of how a bath went. */
export type Curve = Pick<BathState, 'target' | 'since' | 'readings'>

const readsOf = ({ since, readings }: Curve) =>
  readings.map(({ at, strength }) => ({
    hours: (at - since) / hourMs,
    lo: strength.lo ?? 0,
    hi: strength.hi,
  }))

/** The fraction that a bath lost an hour, as its readings have it; null where it was never read, or they do not go together. */
export function lossOf(bath: Curve): number | null {
  if (!bath.target || bath.readings.length === 0) return null
  return lossFitted(bath.target, readsOf(bath))
}

/**
 * When a bath falls below its least strength, and by when to test it again. Null where it has no target, or its readings and their
 * course do not go together: then nobody can tell, and it is changed.
 * @param least ppm, by the label's range. @param losses fractions lost an hour by earlier baths of the same product.
 */
export function bathOutlook(bath: Curve, least: number, losses: readonly number[] = []): BathOutlook | null {
  if (bath.target === null || bath.target <= 0 || least <= 0) return null
  const kept = worked.get(bath)
  if (kept?.least === least && sameLosses(kept.losses, losses)) return kept.outlook
  const outlook = outlookOf(bath.target, bath, least, losses)
  worked.set(bath, { least, losses, outlook })
  return outlook
}

/** What was worked out last for a bath as it stands: several places of one screen ask for it. */
const worked = new WeakMap<
  Curve,
  { readonly least: number; readonly losses: readonly number[]; readonly outlook: BathOutlook | null }
>()
const sameLosses = (a: readonly number[], b: readonly number[]) =>
  a === b || (a.length === b.length && a.every((loss, i) => loss === b[i]))

function outlookOf(
  target: number,
  bath: Curve,
  least: number,
  losses: readonly number[],
): BathOutlook | null {
  const found = forecastBath(target, least, readsOf(bath), lossPrior(losses))
  if (!found) return null
  const at = (hours: number | null) =>
    hours === null ? null : instant(Math.round(bath.since + hours * hourMs))
  return {
    least,
    testBy: at(found.testBy),
    likely: at(found.likely),
    earliest: at(found.earliest),
    latest: at(found.latest),
    readings: found.readings,
  }
}
