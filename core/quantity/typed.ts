import { toCelsius, toFahrenheit, toGrains, volumeFrom, volumeIn } from './convert.ts'
import type { UnitSystem } from './show.ts'
import { celsius, fahrenheit, millilitres } from './units.ts'

/** A quantity by the unit that it is kept in. */
export type Kept = 'litres' | 'millilitres' | 'celsius' | 'hardness'

/** What people type a quantity in, with the way to what is kept and back. */
export interface TypedUnit {
  readonly unit: string
  readonly kept: (typed: number) => number
  readonly typed: (kept: number) => number
}

const same = (unit: string): TypedUnit => ({ unit, kept: (v) => v, typed: (v) => v })
const grainsPer = toGrains(1)

const byKept: Readonly<Record<Kept, Readonly<Record<UnitSystem, TypedUnit>>>> = {
  litres: {
    metric: same('L'),
    us: {
      unit: 'gal',
      kept: (gallons) => volumeFrom(gallons, 'gal') / 1000,
      typed: (litres) => volumeIn(millilitres(litres * 1000), 'gal'),
    },
  },
  millilitres: {
    metric: same('mL'),
    us: {
      unit: 'fl oz',
      kept: (ounces) => volumeFrom(ounces, 'fl oz'),
      typed: (mL) => volumeIn(millilitres(mL), 'fl oz'),
    },
  },
  celsius: {
    metric: same('°C'),
    us: {
      unit: '°F',
      kept: (degrees) => toCelsius(fahrenheit(degrees)),
      typed: (degrees) => toFahrenheit(celsius(degrees)),
    },
  },
  hardness: {
    metric: same('mg/L'),
    us: { unit: 'gpg', kept: (grains) => grains / grainsPer, typed: toGrains },
  },
}

/** The unit that people of a site type a quantity in; not rounded either way. @param what it is kept as: L, mL, °C, mg/L as CaCO3. */
export const typedUnit = (what: Kept, system: UnitSystem): TypedUnit => byKept[what][system]
