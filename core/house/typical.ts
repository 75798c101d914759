import { fahrenheit, toCelsius, toKPa, volumeFrom, type UnitSystem } from '../quantity/index.ts'
import type { StationDuty, StationSet, Trigger } from './station.ts'
import data from './typical.json' with { type: 'json' }

/** Groups of machines, in the order in which somebody walks through a café. */
export const machineGroups = ['hot', 'frozen', 'ice', 'cold', 'wash', 'small'] as const
export type MachineGroup = (typeof machineGroups)[number]

/** Fridges, chilled counters, cold rooms: where food is kept cold, and read. */
export const coldStore = 'cold-store'

/** As it is built, or metric beside what a US plate says: gallons, quarts, fluid ounces, °F, psi. */
type Figure = number | readonly [metric: number, us: number, unit: string]
interface Typical {
  readonly group: string
  readonly parameters: Readonly<Record<string, unknown>>
  readonly duties: unknown
  readonly up?: string
}
const typical: Readonly<Record<string, Typical>> = data

/** Every family that a site can have, with its group. */
export const families: readonly { readonly id: string; readonly group: MachineGroup }[] = Object.entries(
  typical,
).map(([id, { group }]) => ({ id, group: group as MachineGroup }))

const groups = new Map(families.map((f) => [f.id, f.group]))
/** The group of a family; null for one that is not known. */
export const groupOf = (family: string): MachineGroup | null => groups.get(family) ?? null

const dishDuties: readonly (readonly [string, Trigger, string])[] = [
  ['dish-machine.close', { kind: 'each-close' }, 'Cleaned at least every 24 hours: code 4-501.14.'],
  [
    'dish-machine.open',
    { kind: 'each-open' },
    'Read before the first rack: code 4-501.110, 4-501.112, 4-501.114.',
  ],
  ['dish-machine.delime', { kind: 'sign', sign: 'scale' }, 'Scale seen: delime.'],
]

/** A US figure in the unit that plates are kept in: mL, °C, kPa. */
function kept(us: number, unit: string): number {
  if (unit === '°F') return toCelsius(fahrenheit(us))
  if (unit === 'psi') return toKPa(us)
  return volumeFrom(us, unit as 'gal' | 'qt' | 'fl oz')
}

/** Degrees and volumes as a person would set them. */
const figure = (f: Figure, units: UnitSystem): number =>
  typeof f === 'number' ? f : units === 'us' ? kept(f[1], f[2]) : f[0]

/**
 * What a typical model of a family has: its plate's numbers, its cleaning schedule with where it comes from. Round in the site's units.
 * Common practice and the handbook's examples; the plate and manual of the machine decide, so it is marked until somebody checked.
 * @param family one of `families`. Returns null for any other.
 */
export function typicalStation(
  family: string,
  units: UnitSystem,
): Pick<StationSet, 'parameters' | 'duties' | 'up' | 'typical'> | null {
  const found = Object.hasOwn(typical, family) ? typical[family] : undefined
  if (!found) return null
  const duties = (found.duties === 'dish' ? dishDuties : found.duties) as typeof dishDuties
  const parameters = Object.entries(found.parameters).map(
    ([name, f]) => [name, figure(f as Figure, units)] as const,
  )
  return {
    parameters: Object.fromEntries(parameters),
    duties: duties.map(([procedure, trigger, rule]): StationDuty => ({ procedure, trigger, rule })),
    ...(found.up === 'rush' ? { up: 'rush' as const } : {}),
    ...(parameters.length > 0 ? { typical: true as const } : {}),
  }
}
