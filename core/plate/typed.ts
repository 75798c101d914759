import {
  celsius,
  fahrenheit,
  millilitres,
  toCelsius,
  toFahrenheit,
  toKPa,
  toPsi,
  type UnitSystem,
  volumeFrom,
  volumeIn,
} from '../quantity/index.ts'
import type { PlateNumber, PlateUnit } from './numbers.ts'

/** A number as it stands on a form: the unit, and the way there and back. */
export interface Typed {
  readonly unit: string
  /** @param kept in the plate's own unit. */
  readonly shown: (kept: number) => number
  /** @param typed in `unit`. */
  readonly kept: (typed: number) => number
}

/** 1 g/L in avoirdupois ounces per US gallon: 3.785 411 784 / 28.349 523 125. Source: NIST Handbook 44, appendix C. */
const ounceAGallon = 3.785411784 / 28.349523125
const times = (unit: string, factor: number): Typed => ({
  unit,
  shown: (kept) => kept * factor,
  kept: (typed) => typed / factor,
})
const volume = (unit: 'mL' | 'L' | 'fl oz' | 'gal'): Typed => ({
  unit,
  shown: (kept) => volumeIn(millilitres(kept), unit),
  kept: (typed) => volumeFrom(typed, unit),
})
const own: Partial<Record<PlateUnit, string>> = { count: '', yes: '', racks: '', '1/h': '1/h', K: '°C' }

/** The unit that a plate's number is typed in on a site, and how it is kept. */
export function typedIn({ unit, small }: Pick<PlateNumber, 'unit' | 'small'>, system: UnitSystem): Typed {
  if (unit === 'mL') return volume(system === 'us' ? (small ? 'fl oz' : 'gal') : small ? 'mL' : 'L')
  if (system === 'us') {
    if (unit === '°C')
      return { unit: '°F', shown: (c) => toFahrenheit(celsius(c)), kept: (f) => toCelsius(fahrenheit(f)) }
    if (unit === 'K') return times('°F', 9 / 5)
    if (unit === '±°C') return times('±°F', 9 / 5)
    if (unit === 'kPa' || unit === '±kPa')
      return { unit: unit.replace('kPa', 'psi'), shown: toPsi, kept: toKPa }
    if (unit === 'g/L') return times('oz/gal', ounceAGallon)
  }
  return times(own[unit] ?? unit, 1)
}
