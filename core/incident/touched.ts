import { coldStore, groupOf } from '../house/index.ts'
import {
  bringsProduct,
  proceduresOf,
  stepsOf,
  waterBackOf,
  type Procedure,
  type StationState,
} from '../procedure/index.ts'
import { incidentRules, type IncidentKind } from './kinds.ts'

/** A station as far as what goes wrong touches it. */
export type Touchable = Pick<StationState, 'id' | 'plate' | 'laidUp'>

/** Floors and rooms: nothing is served from them. */
const isHouse = (family: string): boolean => family === 'house'
/** Without a motor, a heater or a compressor. */
const plain: readonly string[] = ['sink', 'bucket', 'bottle', 'surface', 'nozzles']
/** Without water: a fridge stays cold, and is read as on any day. */
const dry: readonly string[] = [coldStore, 'grinder']
const washesHot = (family: string): boolean => family === 'sink' || family.startsWith('dish-machine.')

/**
 * The stations that are out of service by it, by id.
 * @param station the one that it is about; @param place the area, as stations name theirs; '' for all.
 */
export function stationsTouched(
  kind: IncidentKind,
  stations: readonly Touchable[],
  { station, place }: { readonly station: string | null; readonly place: string },
): string[] {
  const { touches } = incidentRules[kind]
  const one = (id: string) => stations.some((s) => s.id === id && s.plate && !s.plate.retired)
  if (touches === 'one') return station !== null && one(station) ? [station] : []
  return stations.flatMap(({ id, plate, laidUp }) => {
    if (!plate || plate.retired || laidUp || isHouse(plate.family)) return []
    const isIn =
      touches === 'all' ||
      (touches === 'water' && !dry.includes(plate.family)) ||
      (touches === 'electric' && !plain.includes(plate.family)) ||
      (touches === 'hot-water' && washesHot(plate.family)) ||
      (touches === 'area' && place !== '' && plate.place === place)
    return isIn ? [id] : []
  })
}

/** What sanitizes machines of a family, where a station's own schedule has nothing that does: an ice bin whose scoop alone is washed. */
function sanitizesOf(
  family: string,
  procedureOf: (id: string) => Procedure | null,
): { readonly id: string } | undefined {
  return proceduresOf(family).find(({ id }) => {
    const found = procedureOf(id)
    return found !== null && !bringsProduct(found) && sanitizes(found)
  })
}

const sanitizes = (p: Procedure): boolean =>
  stepsOf(p.nodes).some((s) => s.act === 'sanitize' || s.effects?.hygiene === 'sanitized')
const checks = (p: Procedure): boolean => stepsOf(p.nodes).some((s) => s.kind === 'check')

/**
 * What a station is worked through before it comes back: its lines flushed where the water was in doubt, its close, or else what sanitizes
 * it, and what is read before its first rack. Nothing of it brings product: that comes after. By the station's own cleaning schedule; by the
 * library where nothing there sanitizes.
 * @param procedureOf by id, as it is in force.
 */
export function cleansBefore(
  kind: IncidentKind,
  station: Pick<StationState, 'plate'>,
  procedureOf: (id: string) => Procedure | null,
): string[] {
  const { family = '', duties = [] } = station.plate ?? {}
  const back = incidentRules[kind].water ? waterBackOf(family) : null
  const flush = back !== null && procedureOf(back) ? [back] : []
  const known = duties.flatMap(({ procedure, trigger }) => {
    const found = procedureOf(procedure)
    return found && !bringsProduct(found) ? [{ id: procedure, found, trigger: trigger.kind }] : []
  })
  const isDish = groupOf(family) === 'wash'
  // What is read before the first rack tells whether the machine sanitizes.
  const read = isDish ? known.filter((d) => d.trigger === 'each-open' && checks(d.found)) : []
  if (kind === 'gas' || kind === 'no-hot-water') return unique(read.map((d) => d.id))
  // Setting a sink up washes and sanitizes it: changing its water before that is work for nothing.
  const setsUp = family === 'sink' && read.length > 0
  const cleaning = setsUp ? [] : known.filter((d) => !read.includes(d))
  const first =
    cleaning.find((d) => d.trigger === 'each-close' && sanitizes(d.found)) ??
    cleaning.find((d) => sanitizes(d.found)) ??
    (setsUp ? undefined : sanitizesOf(family, procedureOf)) ??
    cleaning.find((d) => d.trigger === 'each-close')
  return unique([...flush, ...(first ? [first.id] : []), ...read.map((d) => d.id)])
}

const unique = (ids: readonly string[]): string[] => [...new Set(ids)]
