import { lastInVessels, type BathState } from '../bath/index.ts'
import { coldStore, groupOf } from '../house/index.ts'
import type { Contents, StationState } from '../procedure/index.ts'
import type { RerunState } from '../rerun/index.ts'

/** What is thrown out since the water of its making is in doubt. */
export type Doubt =
  | { readonly what: 'ice' | 'product' | 'urn' | 'sink' | 'solution'; readonly station: string }
  /** In a vessel of no station. */
  | { readonly what: 'bath'; readonly bath: string; readonly where: string }
  | { readonly what: 'rerun'; readonly rerun: string; readonly from: string }
  /** What the log does not follow: drinks, washed produce, food cooked with water. */
  | { readonly what: 'drinks' | 'other' }

export interface HeldThere {
  readonly stations: readonly StationState[]
  readonly baths: readonly BathState[]
  readonly reruns: readonly RerunState[]
}

/** A bath in a vessel of its own is followed for so many hours: what is older has been changed. Common practice, no source. */
const bathHours = 24
const hourMs = 3_600_000

/**
 * All that was made with water since it was last known to be good, and is there now: the ice of every bin, open baths, filled sinks, urns,
 * machines that hold product or a solution, containers that were kept. What was made before is left out only where the log says when.
 * FDA Food Code 2022, 3-701.11; common practice, no source.
 * @param since when the water was last known good, ms UTC; null: nobody knows, so all. @param at when it was over, or now, ms UTC.
 */
export function waterDoubts(
  { stations, baths, reruns }: HeldThere,
  since: number | null,
  at: number,
): Doubt[] {
  const isOf = (made: number | null | undefined) =>
    made === null || made === undefined || ((since === null || made >= since) && made <= at)
  const inUse = stations.filter((s) => s.plate && !s.plate.retired)
  return [
    ...inUse.flatMap((s): Doubt[] => ofStation(s, isOf)),
    ...lastInVessels(baths).flatMap((b): Doubt[] =>
      b.station === null && b.mixedAt > at - bathHours * hourMs && isOf(b.since)
        ? [{ what: 'bath', bath: b.id, where: b.where }]
        : [],
    ),
    ...reruns.flatMap((r): Doubt[] =>
      r.keptAt !== null && !r.ended && isOf(r.keptAt)
        ? [{ what: 'rerun', rerun: r.id, from: r.station ?? '' }]
        : [],
    ),
    { what: 'drinks' },
    { what: 'other' },
  ]
}

/** Stations that are vessels, and what a run may have left in a machine. */
const vessels: readonly string[] = ['bucket', 'bottle']
const solutions: readonly Contents[] = ['rinse', 'detergent', 'sanitizer', 'descaler']

function ofStation(station: StationState, isOf: (made: number | null) => boolean): Doubt[] {
  const { id, plate, facets, compartments } = station
  const family = plate?.family ?? ''
  // A bin takes ice at all hours: it is in doubt unless it is known to be empty.
  if (groupOf(family) === 'ice') return facets.ice === 'none' ? [] : [{ what: 'ice', station: id }]
  if (family === 'urn') return [{ what: 'urn', station: id }]
  if (family === 'sink') {
    const filled = Object.values(compartments ?? {})
    return filled.length === 0 || filled.some((c) => isOf(c.at)) ? [{ what: 'sink', station: id }] : []
  }
  if (solutions.includes(facets.contents) || vessels.includes(family))
    return facets.contents === 'empty' ? [] : [{ what: 'solution', station: id }]
  // What stands in a fridge was not made in it: it is asked about by its name.
  if (family === coldStore) return []
  return holdsProduct(station) ? [{ what: 'product', station: id }] : []
}

/** Whether product is in it; where nobody knows what is in a machine that makes food, there may be. */
export const holdsProduct = ({ facets, plate }: Pick<StationState, 'facets' | 'plate'>): boolean =>
  plate?.family === coldStore ||
  facets.contents === 'product' ||
  (facets.contents === 'unknown' && groupOf(plate?.family ?? '') === 'frozen')
