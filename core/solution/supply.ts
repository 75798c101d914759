import {
  availableChlorine,
  millilitres,
  ppm,
  ppmFromPercentWv,
  ppmFromPercentWw,
  type Millilitres,
  type Ppm,
  type VolumeUnit,
} from '../quantity/index.ts'
import { Refusal } from '../refusal/index.ts'
import type { Worded } from './worded.ts'

/** How the label words the strength of a liquid, kept with the label. */
export interface Stated {
  readonly value: number
  readonly as: 'ppm' | '% w/v' | '% w/w'
  /** kg/L, for % w/w alone. */
  readonly density: number | null
  /** What a bleach label's figure counts: sodium hypochlorite itself, or its available chlorine. */
  readonly counts: 'active' | 'hypochlorite'
}

/** How a label states the dose of a liquid. The label's own meaning is kept: "1:N" and "1 in N" are told apart. */
export type LiquidSupply =
  /** A liquid of known strength, in mg/L of the active agent (available chlorine for hypochlorite). */
  | { readonly kind: 'strength'; readonly stock: Ppm; readonly stated?: Stated; readonly worded?: Worded }
  /** "1 to N": one part to N parts of water. "1 in N": one part in N parts of solution. */
  | { readonly kind: 'ratio'; readonly parts: number; readonly meaning: 'to' | 'in' }
  /** So many millilitres to each litre of water. */
  | { readonly kind: 'per-litre'; readonly millilitres: Millilitres; readonly worded?: Worded }

export type SolidSupply =
  /** `active`: mass of active agent in a mass of powder, 0 to 1. */
  | { readonly kind: 'powder'; readonly active: number }
  /** So many grams to each litre of solution, as labels of powder detergents word it. */
  | { readonly kind: 'grams-per-litre'; readonly grams: number; readonly worded?: Worded }
  /** Tablets or sachets; `active` in milligrams of active agent in one. */
  | {
      readonly kind: 'pieces'
      readonly active: number
      readonly mayBeHalved: boolean
      readonly worded?: Worded
    }

export type Supply = LiquidSupply | SolidSupply

export const isLiquid = (supply: Supply): supply is LiquidSupply =>
  supply.kind !== 'powder' && supply.kind !== 'pieces' && supply.kind !== 'grams-per-litre'

/**
 * A liquid's dose where a model's own table gives its volume, mL, in `total` mL of solution, as millilitres to each litre of water. Null
 * where the table says nothing, or the product is no liquid: then its label decides. Throws `no_water_left` where it leaves no water.
 */
export function supplyByTable(
  supply: Supply,
  amount: number | undefined,
  total: number,
): LiquidSupply | null {
  if (amount === undefined || !isLiquid(supply)) return null
  if (!(amount > 0) || amount >= total) throw new Refusal('no_water_left', { field: 'amount' })
  return { kind: 'per-litre', millilitres: millilitres((1000 * amount) / (total - amount)) }
}

/**
 * The strength of a concentrate from its label's wording, in mg/L of active agent.
 * Throws `stock_too_weak` where the figure is not above zero or above 100 %, `density_missing` for % w/w without one.
 * Source: 1 % w/v is 10 g/L; available chlorine of sodium hypochlorite is 70.906 / 74.44 of it by mass.
 * Example: 5.25 % w/v sodium hypochlorite is 50 008 mg/L available chlorine.
 */
export function stockOf(stated: Stated): Ppm {
  const { value, as, density, counts } = stated
  if (!(value > 0) || value > (as === 'ppm' ? 1e6 : 100))
    throw new Refusal('stock_too_weak', { field: 'stock' })
  if (as === '% w/w' && !(density !== null && density > 0))
    throw new Refusal('density_missing', { field: 'density' })
  const whole =
    as === 'ppm'
      ? ppm(value)
      : as === '% w/v'
        ? ppmFromPercentWv(value)
        : ppmFromPercentWw(value, density ?? 0)
  return counts === 'hypochlorite' ? availableChlorine(whole) : whole
}

/** What may not meet: see the clash rules. */
export const chemicalClasses = [
  'hypochlorite',
  'quat',
  'iodine',
  'detergent',
  'acid',
  'ammonia',
  'peroxide',
  'alkaline',
] as const
export type ChemicalClass = (typeof chemicalClasses)[number]

/** A jug, beaker or syringe, with the marks a person can read on it. */
export interface MeasuringTool {
  readonly name: string
  readonly capacity: Millilitres
  /** The unit that its marks are printed in; absent: mL. */
  readonly marks?: VolumeUnit | undefined
  /** The distance between two marks. */
  readonly graduation: Millilitres
  /** What the tool itself may be off by, either way. */
  readonly error: Millilitres
}

/** A scale. Grams. */
export interface Scale {
  readonly name: string
  readonly graduation: number
  readonly error: number
}

/** A pump or a timed tap: millilitres a stroke or a second, corrected by its last check. */
export interface Dispenser {
  readonly name: string
  readonly by: 'stroke' | 'second'
  readonly millilitres: Millilitres
}
