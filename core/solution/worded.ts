import {
  millilitres,
  ppm,
  volumeFrom,
  type Millilitres,
  type Ppm,
  type VolumeUnit,
} from '../quantity/index.ts'
import { Refusal } from '../refusal/index.ts'

/** "3 fl oz per gallon", "8 fl oz per 3 quarts", "5 mL per L": so much to so much water. */
export interface PerVolume {
  readonly amount: number
  readonly unit: VolumeUnit
  readonly per: number
  readonly of: VolumeUnit
}

/** "2 oz per quart" of a powder: so much by weight to so much solution. */
export interface PerWeight {
  readonly amount: number
  readonly unit: 'g' | 'oz'
  readonly per: number
  readonly of: VolumeUnit
}

/** "200 ppm at 1:256": what a dilution gives; "1 to N" or "1 in N". */
export interface AtRatio {
  readonly ppm: number
  readonly parts: number
  readonly meaning: 'to' | 'in'
}

/** "1 tablet per 5 L gives 200 ppm". */
export interface PiecesPer {
  readonly pieces: number
  readonly per: number
  readonly of: VolumeUnit
  readonly ppm: number
}

/** How a label words a dose, kept with the label as it stands there. */
export type Worded =
  | ({ readonly as: 'per-volume' } & PerVolume)
  | ({ readonly as: 'per-weight' } & PerWeight)
  | ({ readonly as: 'at-ratio' } & AtRatio)
  | ({ readonly as: 'pieces-per' } & PiecesPer)

/** Avoirdupois ounce. Source: NIST Handbook 44, appendix C. */
const gramsInOunce = 28.349523125

const positive = (...values: readonly number[]): void => {
  if (!values.every((v) => Number.isFinite(v) && v > 0))
    throw new Refusal('volume_is_zero', { field: 'amount' })
}

/**
 * Millilitres to each litre of water. Throws `volume_is_zero` where a number is not above zero.
 * Example: 3 fl oz per gallon is 23.4375 mL per litre (3/128).
 */
export function perLitreOf(w: PerVolume): Millilitres {
  positive(w.amount, w.per)
  return millilitres((volumeFrom(w.amount, w.unit) / volumeFrom(w.per, w.of)) * 1000)
}

/** Grams to each litre of solution. Throws `volume_is_zero`. Example: 1 oz per gallon is 7.489 g per litre. */
export function gramsPerLitreOf(w: PerWeight): number {
  positive(w.amount, w.per)
  const grams = w.unit === 'oz' ? w.amount * gramsInOunce : w.amount
  return (grams / volumeFrom(w.per, w.of)) * 1000
}

/**
 * Strength of the concentrate, mg/L. Throws `volume_is_zero`.
 * Example: 200 ppm at 1 to 256 is 51 400 mg/L; at 1 in 256, 51 200 mg/L.
 */
export function stockAtRatio(w: AtRatio): Ppm {
  positive(w.ppm, w.parts)
  return ppm(w.ppm * (w.meaning === 'to' ? w.parts + 1 : w.parts))
}

/** Milligrams of active agent in one piece. Throws `volume_is_zero`. Example: 1 tablet per 5 L to 200 ppm holds 1000 mg. */
export function activeInPiece(w: PiecesPer): number {
  positive(w.pieces, w.per, w.ppm)
  return (w.ppm * volumeFrom(w.per, w.of)) / 1000 / w.pieces
}

/** Labels round what a dilution gives: numbers that differ by more than this were misread. Common practice, no source. */
const roundedBy = 0.1

/**
 * What a concentrate gives at the dilution that its label names as well, and whether the label's own figure for it agrees.
 * @param stock strength of the concentrate, mg/L. Throws `volume_is_zero`.
 * Example: 10 % (100 000 mg/L) at 1 to 256 gives 389 ppm: a label that says 400 agrees, one that says 200 does not.
 */
export function agreesWith(stock: Ppm, w: AtRatio): { readonly gives: Ppm; readonly agrees: boolean } {
  const ratio = stock / stockAtRatio(w)
  return { gives: ppm(w.ppm * ratio), agrees: Math.abs(ratio - 1) <= roundedBy }
}
