import {
  toCelsius,
  toFahrenheit,
  toGrains,
  toPsi,
  volumeIn,
  type TemperatureUnit,
  type VolumeUnit,
} from './convert.ts'
import { celsius, fahrenheit, millilitres } from './units.ts'

export const unitSystems = ['metric', 'us'] as const
export type UnitSystem = (typeof unitSystems)[number]

/** A number and its unit, as shown to a person. */
export interface Shown {
  readonly value: string
  readonly unit: string
}

/**
 * At most `digits` decimals, without trailing zeros.
 * @example decimals(2.5, 0) // '3'
 * @example decimals(1 / 3, 2) // '0.33'
 */
export const decimals = (value: number, digits: number): string => String(Number(value.toFixed(digits)))

/**
 * A volume as a person would say it: mL below a litre, L above; in the US system fl oz, qt and gal.
 * @param mL millilitres.
 * @example showVolume(3785, 'us') // { value: '1', unit: 'gal' }
 */
export function showVolume(mL: number, system: UnitSystem): Shown {
  if (system === 'metric')
    return Math.abs(mL) < 1000
      ? { value: decimals(mL, mL < 10 ? 1 : 0), unit: 'mL' }
      : { value: decimals(mL / 1000, 1), unit: 'L' }
  const unit: VolumeUnit = mL < 700 ? 'fl oz' : mL < 3700 ? 'qt' : 'gal'
  return { value: decimals(volumeIn(millilitres(mL), unit), unit === 'fl oz' ? 1 : 2), unit }
}

/**
 * A volume as it was measured out: to a tenth of a mL, or a hundredth of what is said in the US system. @param mL millilitres.
 * @example showMeasured(29.6, 'us') // { value: '1', unit: 'fl oz' }
 */
export function showMeasured(mL: number, system: UnitSystem): Shown {
  const { unit } = showVolume(mL, system)
  if (unit === 'mL') return { value: decimals(mL, 1), unit }
  return { value: decimals(volumeIn(millilitres(mL), unit as VolumeUnit), 2), unit }
}

/**
 * @param at °C; in the US system shown in whole °F.
 * @example showTemperature(71, 'us') // { value: '160', unit: '°F' }
 */
export function showTemperature(at: number, system: UnitSystem): Shown {
  return system === 'metric'
    ? { value: decimals(at, 1), unit: '°C' }
    : { value: decimals(toFahrenheit(celsius(at)), 0), unit: '°F' }
}

/**
 * A temperature as a probe reads it, to a tenth. @param at °C.
 * @example showRead(71.2, 'us') // { value: '160.2', unit: '°F' }
 */
export function showRead(at: number, system: UnitSystem): Shown {
  return system === 'metric'
    ? { value: decimals(at, 1), unit: '°C' }
    : { value: decimals(toFahrenheit(celsius(at)), 1), unit: '°F' }
}

/**
 * By how much a temperature changes, which has no zero to be moved. @param by °C.
 * @example showDifference(1, 'us') // { value: '1.8', unit: '°F' }
 */
export const showDifference = (by: number, system: UnitSystem, digits = 1): Shown =>
  system === 'metric'
    ? { value: decimals(by, digits), unit: '°C' }
    : { value: decimals((by * 9) / 5, digits), unit: '°F' }

/**
 * A pressure in whole kPa, in the US system in psi to a tenth. @param at kPa.
 * @example showPressure(138, 'us') // { value: '20', unit: 'psi' }
 */
export const showPressure = (at: number, system: UnitSystem): Shown =>
  system === 'metric'
    ? { value: decimals(at, 0), unit: 'kPa' }
    : { value: decimals(toPsi(at), 1), unit: 'psi' }

/**
 * @param cm centimetres.
 * @returns whole inches in US units.
 * @example showLength(20, 'us') // { value: '8', unit: 'in' }
 */
export const showLength = (cm: number, system: UnitSystem): Shown =>
  system === 'us' ? { value: decimals(cm / 2.54, 0), unit: 'in' } : { value: decimals(cm, 0), unit: 'cm' }

/**
 * Hardness of water; in the US system as grains to a gallon. @param hardness mg/L as CaCO3.
 * @example showHardness(171, 'us') // { value: '10', unit: 'gpg' }
 */
export const showHardness = (hardness: number, system: UnitSystem): Shown =>
  system === 'metric'
    ? { value: decimals(hardness, 0), unit: 'mg/L' }
    : { value: decimals(toGrains(hardness), 1), unit: 'gpg' }

/**
 * A reading in its instrument's unit as °C.
 * @example inCelsius(171, '°F') // 77.22
 */
export const inCelsius = (value: number, unit: TemperatureUnit): number =>
  unit === '°C' ? value : toCelsius(fahrenheit(value))

/**
 * Minutes and seconds left, "4:05"; hours from one hour on, "1:04:05". Below zero: "+0:12" over. @param ms milliseconds.
 * @example showCountdown(61_000) // '1:01'
 */
export function showCountdown(ms: number): string {
  const over = ms < 0
  const total = over ? Math.floor(-ms / 1000) : Math.ceil(ms / 1000)
  const [h, m, s] = [Math.floor(total / 3600), Math.floor((total % 3600) / 60), total % 60]
  const two = (n: number) => String(n).padStart(2, '0')
  return `${over ? '+' : ''}${h > 0 ? `${h}:${two(m)}` : m}:${two(s)}`
}

/**
 * Whole minutes as people say them: "12 min", "3 h 20", "2 days 4 h". @param left minutes, zero or more.
 * @example showMinutes(75) // '1 h 15'
 */
export function showMinutes(left: number): string {
  if (left < 60) return `${left} min`
  const [days, hours, rest] = [Math.floor(left / 1440), Math.floor((left % 1440) / 60), left % 60]
  if (days > 0) return `${days} ${days === 1 ? 'day' : 'days'}${hours > 0 ? ` ${hours} h` : ''}`
  return rest > 0 ? `${hours} h ${rest}` : `${hours} h`
}
