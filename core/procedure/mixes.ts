import type { StationSet } from '../house/station.ts'
import type { Vessel } from '../solution/index.ts'
import { stepsOf } from './nodes.ts'
import { type Procedure } from './language.ts'
import { numberOf } from './parameter.ts'
import { Refusal } from '../refusal/index.ts'

/**
 * The solutions that a machine takes, by what its procedures mix for it: the volume and what holds it by its plate, and the label's
 * use. One whose number the plate does not carry is left out.
 */
export function mixesOf(plate: Pick<StationSet, 'parameters'>, procedures: readonly Procedure[]): Vessel[] {
  const found: Vessel[] = []
  for (const step of procedures.flatMap((p) => stepsOf(p.nodes))) {
    if (step.kind !== 'mix') continue
    const volume = known(() => numberOf(step.volume, plate.parameters))
    const holds = known(() => numberOf(step.capacity, plate.parameters))
    if (volume === null || holds === null) continue
    if (!found.some((v) => v.use === step.use && v.volume === volume))
      found.push({ volume, holds, use: step.use })
  }
  return found
}

function known(number: () => number): number | null {
  try {
    return number()
  } catch (error) {
    if (error instanceof Refusal) return null
    throw error
  }
}
