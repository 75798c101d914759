import { Refusal } from '../refusal/index.ts'

declare const unit: unique symbol
/** A number that carries its unit in its type, so that a °F cannot be passed as °C, nor ppm as percent. */
export type Quantity<U extends string> = number & { readonly [unit]: U }

export type Millilitres = Quantity<'mL'>
/** Milligrams per litre; "parts per million" at the strengths that sanitizers are used at. */
export type Ppm = Quantity<'ppm'>
export type Celsius = Quantity<'°C'>
export type Fahrenheit = Quantity<'°F'>
export type Minutes = Quantity<'min'>
export type Seconds = Quantity<'s'>
/** Hardness as mg/L of calcium carbonate. */
export type HardnessMgL = Quantity<'mg/L CaCO3'>
/** Milliseconds since 1970-01-01T00:00Z. */
export type Instant = Quantity<'instant'>

function finite(value: number, field: string): number {
  if (!Number.isFinite(value)) throw new Refusal('not_a_number', { field, value: String(value) })
  return value
}

function amount(value: number, field: string): number {
  if (finite(value, field) < 0) throw new Refusal('negative_quantity', { field, value })
  return value
}

/**
 * @param value millilitres, zero or more. Throws `not_a_number`, `negative_quantity`.
 * @example millilitres(250) // 250
 */
export const millilitres = (value: number, field = 'volume') => amount(value, field) as Millilitres
/**
 * @param value mg/L, zero or more. Throws `not_a_number`, `negative_quantity`.
 * @example ppm(200) // 200
 */
export const ppm = (value: number, field = 'strength') => amount(value, field) as Ppm
/**
 * @param value minutes, zero or more. Throws `not_a_number`, `negative_quantity`.
 * @example minutes(3) // 3
 */
export const minutes = (value: number, field = 'minutes') => amount(value, field) as Minutes
/**
 * @param value seconds, zero or more. Throws `not_a_number`, `negative_quantity`.
 * @example seconds(60) // 60
 */
export const seconds = (value: number, field = 'seconds') => amount(value, field) as Seconds
/**
 * @param value mg/L as CaCO3, zero or more. Throws `not_a_number`, `negative_quantity`.
 * @example hardness(200) // 200
 */
export const hardness = (value: number, field = 'hardness') => amount(value, field) as HardnessMgL
/**
 * @param value whole milliseconds UTC. Throws `not_a_number`.
 * @example instant(0) // 0
 */
export const instant = (value: number, field = 'instant') => finite(value, field) as Instant

/**
 * @param value degrees Celsius, above absolute zero. Throws `not_a_number`, `below_absolute_zero`.
 * @example celsius(5) // 5
 */
export function celsius(value: number, field = 'temperature'): Celsius {
  if (finite(value, field) < -273.15) throw new Refusal('below_absolute_zero', { field, value, unit: '°C' })
  return value as Celsius
}

/**
 * @param value degrees Fahrenheit, above absolute zero. Throws `not_a_number`, `below_absolute_zero`.
 * @example fahrenheit(41) // 41
 */
export function fahrenheit(value: number, field = 'temperature'): Fahrenheit {
  if (finite(value, field) < -459.67) throw new Refusal('below_absolute_zero', { field, value, unit: '°F' })
  return value as Fahrenheit
}
