import { millilitres, ppm, type Millilitres, type Ppm, type Quantity } from '../quantity/index.ts'
import { Refusal } from '../refusal/index.ts'

export type Grams = Quantity<'g'>

/**
 * Powder for a solution, its own volume neglected as leaflets do.
 * @param active mass of active agent in a mass of powder, 0 to 1; @param target mg/L; @param total millilitres of solution.
 * Returns grams. Throws `not_a_number`, `stock_too_weak`, `target_is_zero`, `volume_is_zero`.
 * Source: WHO/CDC chlorine-solution formula, (% wanted / % in powder) x 1000 = grams a litre.
 * Example: 35 % available chlorine to 0.5 % is 14.3 g/L.
 * @example powderDose(0.5, ppm(200), millilitres(10_000)) // 4
 */
export function powderDose(active: number, target: Ppm, total: Millilitres): Grams {
  if (!Number.isFinite(active)) throw new Refusal('not_a_number', { field: 'active' })
  if (active <= 0 || active > 1 || target >= active * 1e6)
    throw new Refusal('stock_too_weak', { field: 'active', active, target })
  if (target <= 0) throw new Refusal('target_is_zero', { field: 'target' })
  if (total <= 0) throw new Refusal('volume_is_zero', { field: 'volume' })
  return (((target / 1000) * (total / 1000)) / active) as Grams
}

/**
 * Powder that the label gives by the litre. @param grams to a litre of solution; @param total millilitres. Returns grams.
 * Throws `volume_is_zero`. Arithmetic.
 * @example gramsFor(5, millilitres(10_000)) // 50
 */
export function gramsFor(grams: number, total: Millilitres): Grams {
  if (total <= 0) throw new Refusal('volume_is_zero', { field: 'volume' })
  return ((grams * total) / 1000) as Grams
}

/** Tablets or sachets: whole ones, and halves where they may be broken. */
export interface Piece {
  /** Milligrams of active agent in one. */
  readonly active: number
  readonly mayBeHalved: boolean
}

export interface PieceDose {
  /** How many, in whole or half pieces. */
  readonly pieces: number
  readonly water: Millilitres
  readonly strength: Ppm
}

export interface PieceChoice {
  /** The nearest count in the volume asked for. */
  readonly inVolume: PieceDose
  /** The same count in the volume that makes it exactly the strength asked for. */
  readonly exact: PieceDose
}

/**
 * Tablets or sachets for a solution: since they come whole, either the strength gives or the volume.
 * @param target mg/L; @param total millilitres. At least one piece (or half) is used.
 * Throws `target_is_zero`, `volume_is_zero`, `stock_too_weak`. Arithmetic.
 */
export function pieceDose(piece: Piece, target: Ppm, total: Millilitres): PieceChoice {
  if (!(piece.active > 0)) throw new Refusal('stock_too_weak', { field: 'piece' })
  if (target <= 0) throw new Refusal('target_is_zero', { field: 'target' })
  if (total <= 0) throw new Refusal('volume_is_zero', { field: 'volume' })
  const unit = piece.mayBeHalved ? 0.5 : 1
  const wanted = ((target / 1000) * total) / piece.active
  const pieces = Math.max(unit, Math.round(wanted / unit) * unit)
  const mass = pieces * piece.active
  return {
    inVolume: { pieces, water: total, strength: ppm((mass * 1000) / total) },
    exact: { pieces, water: millilitres((mass * 1000) / target), strength: target },
  }
}
