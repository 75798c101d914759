import { servesFamily } from './nodes.ts'
import { type Procedure } from './language.ts'
import { latestProcedure, proceduresOf } from './library/index.ts'
import type { OwnProcedure } from './own-fold.ts'
import { baseOf, isOwn, ownId } from './own.ts'
import type { StationState } from './station-state.ts'

/** The version of a site's own procedure that is in force on a trading day (ISO date); null where none is. */
export function versionOn({ versions, puts }: OwnProcedure, day: string): Procedure | null {
  const { version } = puts.findLast((p) => p.from <= day) ?? {}
  return versions.find((v) => v.version === version) ?? null
}

/** Whether a site's own procedure is worked beside the library's, under its own id: it was never put in its place. */
const standsBeside = ({ puts, versions }: OwnProcedure): boolean => puts.length === 0 && versions.length > 0

/**
 * The procedure that is worked to on a trading day: the site's own where it was put in force, else the library's.
 * @param id the library's or the site's own. @param day ISO date. @param own a site's own procedure by its id.
 */
export function procedureOn(
  id: string,
  day: string,
  own: (id: string) => OwnProcedure | null,
): Procedure | null {
  const ours = own(ownId(id))
  if (!ours) return latestProcedure(baseOf(id))
  if (standsBeside(ours)) return isOwn(id) ? (ours.versions.at(-1) ?? null) : latestProcedure(id)
  return versionOn(ours, day) ?? latestProcedure(baseOf(id))
}

/** What can be begun on a family's machines on a trading day, each once. @param day ISO date. */
export function proceduresOn(family: string, day: string, own: readonly OwnProcedure[]): Procedure[] {
  const of = (id: string) => own.find((o) => o.id === id) ?? null
  const library = proceduresOf(family).flatMap((p) => procedureOn(p.id, day, of) ?? [])
  const beside = own
    .filter((o) => standsBeside(o) || latestProcedure(baseOf(o.id)) === null)
    .flatMap((o) => procedureOn(o.id, day, of) ?? [])
    .filter((p) => servesFamily(p, family))
  return [...library, ...beside]
}

/** What can be begun on the machines that stand at a site, on a trading day, each once. @param day ISO date. */
export function proceduresHere(
  stations: readonly Pick<StationState, 'plate'>[],
  day: string,
  own: readonly OwnProcedure[],
): Procedure[] {
  const families = new Set(stations.flatMap((s) => (s.plate && !s.plate.retired ? s.plate.family : [])))
  const all = [...families].flatMap((family) => proceduresOn(family, day, own))
  return [...new Map(all.map((p) => [p.id, p])).values()]
}
