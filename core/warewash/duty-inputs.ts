import { bathSpent, type Prediction } from '../duty/index.ts'
import { bathDue, bathOutlook, type BathDue, type BathOutlook } from '../bath/index.ts'
import { instant } from '../quantity/index.ts'
import type { StationState } from '../procedure/index.ts'
import { lastInVessels, type BathState } from '../bath/fold.ts'
import type { ProductSet } from '../house/product.ts'
import type { SiteSet } from '../house/site.ts'
import { useOfBath } from '../bath/way-back.ts'
import type { DishState } from './dish.ts'
import { dishPredictions, withRacks } from './outlook.ts'
import { kindOf, marksOf } from './plate.ts'
import { isGone, sinkPredictions } from './sink.ts'

/** A sanitizer bath that stands, with what it asks for. */
export type StandingBath = BathState & {
  readonly due: BathDue
  /** When it is expected to fall below its label's range; null where nobody can tell. */
  readonly outlook: BathOutlook | null
}

/** What the site's records know, as far as what is due depends on it. */
export interface SiteKnown {
  readonly site: Pick<SiteSet, 'bath'> | null
  readonly stations: readonly StationState[]
  readonly dishes: readonly DishState[]
  readonly baths: readonly BathState[]
  readonly products: readonly (Partial<ProductSet> & { readonly id: string })[]
  /** Fractions lost an hour by earlier baths, by product. */
  readonly losses: Readonly<Record<string, readonly number[]>>
}

/** The sanitizer baths that stand, newest first: the last in each vessel; what was mixed there before is gone. */
export function standingBaths(known: Omit<SiteKnown, 'dishes'>): StandingBath[] {
  const productOf = (b: BathState) => known.products.find((p) => p.id === b.product)
  const stationOf = (b: BathState) => known.stations.find((s) => s.id === b.station) ?? null
  const stands = known.baths.filter(
    (b) => productOf(b)?.agent && (b.station === null || !isGone(stationOf(b))),
  )
  return lastInVessels(stands).map((b) => {
    const product = productOf(b)
    const use = product?.uses ? useOfBath(b, { uses: product.uses }) : null
    const outlook = use?.range ? bathOutlook(b, use.range.lo, known.losses[b.product ?? '']) : null
    return { ...b, due: bathDue(b, known.site?.bath, outlook?.testBy ?? null), outlook }
  })
}

/** How long before it is too old a bath may be changed. Common practice, no source. */
const beforeOldMs = 1_800_000

/**
 * What duties are worked out from, the same for the list, the plan and the calendar: the stations with their racks counted, and what
 * their rinses and baths are expected to do.
 */
export function dutyInputs(known: SiteKnown): {
  readonly stations: StationState[]
  readonly predictions: Prediction[]
} {
  const dishOf = (id: string) => known.dishes.find((d) => d.id === id) ?? null
  const stations = known.stations.map((s) => withRacks(s, dishOf(s.id)))
  const spent = standingBaths(known).flatMap(({ station, due, outlook }): Prediction[] => {
    if (!station) return []
    // Weak sooner than old, or old: whichever comes first.
    const at = instant(Math.min(outlook?.likely ?? Number.POSITIVE_INFINITY, due.useBy))
    return [
      { station, what: bathSpent, from: instant(Math.min(outlook?.testBy ?? at, at - beforeOldMs)), at },
    ]
  })
  const sinks = stations
    .filter((s) => s.plate?.family === 'sink')
    .flatMap((s) => sinkPredictions(s, known.dishes))
  const rinses = stations.flatMap(({ id, plate }) => {
    const [kind, dish] = [kindOf(plate?.family ?? ''), dishOf(id)]
    return kind && plate && dish ? dishPredictions(dish, marksOf(kind, plate.parameters).rinse) : []
  })
  return { stations, predictions: [...spent, ...sinks, ...rinses] }
}
