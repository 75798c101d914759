import { decimals, showPressure, showTemperature, type Shown, type UnitSystem } from '../quantity/index.ts'
import { modelCode, type TemperaturePair } from './profile.ts'

const isPair = (value: object): value is TemperaturePair => 'c' in value && 'f' in value

/** Every pair of temperatures that a code names, wherever it stands. */
function pairsIn(value: unknown): TemperaturePair[] {
  if (typeof value !== 'object' || value === null) return []
  return isPair(value) ? [value] : Object.values(value).flatMap(pairsIn)
}
// What instruments must be accurate to is no temperature that anything is held to.
const { accuracy: _, ...limits } = modelCode
const pairs = pairsIn(limits)

/**
 * A limit as it is written on a site: where the code pairs the figure with one in °F, the code's own, else converted.
 * @param at °C.
 * @example showLimit(82, 'us') // { value: '180', unit: '°F' }
 */
export function showLimit(at: number, system: UnitSystem): Shown {
  const pair = pairs.find((p) => p.c === at)
  return system === 'us' && pair ? { value: decimals(pair.f, 0), unit: '°F' } : showTemperature(at, system)
}

/**
 * A rinse pressure's limit as it is written on a site, in the code's own pairs. @param at kPa.
 * @example showPressureLimit(35, 'us') // { value: '5', unit: 'psi' }
 */
export function showPressureLimit(at: number, system: UnitSystem): Shown {
  const { kPa, psi } = modelCode.dishMachine.pressure
  const paired = at === kPa.lo ? psi.lo : at === kPa.hi ? psi.hi : null
  return system === 'us' && paired !== null
    ? { value: decimals(paired, 0), unit: 'psi' }
    : showPressure(at, system)
}
