import { Refusal } from '../refusal/index.ts'
import {
  celsius,
  type Celsius,
  fahrenheit,
  type Fahrenheit,
  millilitres,
  type Millilitres,
  ppm,
  type Ppm,
} from './units.ts'

/** Millilitres in one of each volume unit. US customary units by NIST Handbook 44, appendix C (1 US gallon = 231 cubic inches). */
const millilitresIn = {
  mL: 1,
  L: 1000,
  tsp: 4.92892159375,
  tbsp: 14.78676478125,
  'fl oz': 29.5735295625,
  cup: 236.5882365,
  pt: 473.176473,
  qt: 946.352946,
  gal: 3785.411784,
} as const

export type VolumeUnit = keyof typeof millilitresIn
export const volumeUnits = Object.keys(millilitresIn) as VolumeUnit[]

/**
 * @param value in `unit`; returns millilitres. Throws `negative_quantity`, `not_a_number`.
 * @example volumeFrom(1, 'gal') // 3785
 */
export const volumeFrom = (value: number, unit: VolumeUnit): Millilitres =>
  millilitres(value * millilitresIn[unit])

/**
 * @param volume millilitres; returns the number in `unit`, not rounded.
 * @example volumeIn(millilitres(946), 'qt') // 1
 */
export const volumeIn = (volume: Millilitres, unit: VolumeUnit): number => volume / millilitresIn[unit]

/**
 * @param value °F; returns °C, exact.
 * @example toCelsius(fahrenheit(212)) // 100
 */
export const toCelsius = (value: Fahrenheit): Celsius => celsius(((value - 32) * 5) / 9)
/**
 * @param value °C; returns °F, exact.
 * @example toFahrenheit(celsius(82)) // 179.6
 */
export const toFahrenheit = (value: Celsius): Fahrenheit => fahrenheit((value * 9) / 5 + 32)

/** 1 psi is 6.894 757 kPa. Source: NIST SP 811, appendix B. */
const kPaInPsi = 6.894757
/**
 * @param value psi; returns kPa.
 * @example toKPa(20) // 137.9
 */
export const toKPa = (value: number): number => value * kPaInPsi
/**
 * @param value kPa; returns psi.
 * @example toPsi(138) // 20.02
 */
export const toPsi = (value: number): number => value / kPaInPsi

/** A grain is 64.798 91 mg. Source: NIST Handbook 44, appendix C. */
const milligramsInGrain = 64.79891
/**
 * Hardness as grains to a US gallon. @param hardness mg/L as CaCO3.
 * @example toGrains(171.2) // 10
 */
export const toGrains = (hardness: number): number =>
  (hardness * millilitresIn.gal) / 1000 / milligramsInGrain

/**
 * @param percent % weight in volume (g per 100 mL); returns mg/L.
 * @example ppmFromPercentWv(10) // 100000
 */
export const ppmFromPercentWv = (percent: number): Ppm => ppm(percent * 10_000)

/**
 * @param percent % weight in weight; @param density kg/L of the concentrate; returns mg/L.
 * Throws `negative_quantity`.
 * @example ppmFromPercentWw(10, 1.2) // 120000
 */
export const ppmFromPercentWw = (percent: number, density: number): Ppm => ppm(percent * 10_000 * density)

/** Mass of available chlorine in a mass of sodium hypochlorite: Cl2 70.906 / NaOCl 74.44. */
const availableChlorineInHypochlorite = 70.906 / 74.44

/**
 * @param hypochlorite mg/L as NaOCl; returns mg/L as available chlorine.
 * @example availableChlorine(ppm(100)) // 95.25
 */
export const availableChlorine = (hypochlorite: Ppm): Ppm =>
  ppm(hypochlorite * availableChlorineInHypochlorite)

export type TemperatureUnit = '°C' | '°F'
/** A temperature as it was read: the number and the unit of the instrument. */
export interface TemperatureReading {
  readonly value: number
  readonly unit: TemperatureUnit
}

/** Returns the reading in °C. Throws `below_absolute_zero`, `not_a_number`, `unit_missing`. */
export function readingInCelsius(reading: TemperatureReading): Celsius {
  if (reading.unit === '°C') return celsius(reading.value)
  if (reading.unit === '°F') return toCelsius(fahrenheit(reading.value))
  throw new Refusal('unit_missing', { field: 'temperature' })
}
