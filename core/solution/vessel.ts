import type { InVessel } from './clash.ts'
import type { ChemicalClass } from './supply.ts'

/** A vessel that a site fills again and again: its working volume and what it holds, mL, and the label's use it is filled for. */
export interface Vessel {
  readonly volume: number
  readonly holds: number
  readonly use: string
}

interface VesselOfFamily {
  readonly family: string
  readonly volume: string
  readonly holds: string
  readonly use: string
}

/** By which of its data plate's numbers a station is filled. A family may be filled for several uses. */
const byFamily: readonly VesselOfFamily[] = [
  { family: 'bucket', volume: 'bucket', holds: 'bucketHolds', use: 'cloths' },
  { family: 'bottle', volume: 'bottle', holds: 'bottle', use: 'cloths' },
  { family: 'sink', volume: 'compartment', holds: 'compartment', use: 'utensils' },
]

/** The vessels of a station, from its data plate's numbers; none where a number is missing. */
export function vesselsOf(family: string, parameters: Readonly<Record<string, number>>): Vessel[] {
  return byFamily
    .filter((v) => v.family === family)
    .flatMap(({ volume: v, holds: h, use }) => {
      const [volume, holds] = [parameters[v], parameters[h]]
      return volume === undefined || holds === undefined ? [] : [{ volume, holds, use }]
    })
}

/**
 * What may still be in a vessel, or null where a person has to say: the last bath made there stays until it is poured out, and
 * a station's own contents are taken as its runs left them.
 */
export function leftIn(contents: string | null, lastBath: ChemicalClass | null): InVessel | null {
  if (lastBath) return lastBath
  if (contents === 'empty') return 'empty'
  if (contents === 'rinse') return 'water'
  if (contents === 'detergent') return 'detergent'
  return null
}
