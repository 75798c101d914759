import { interval, millilitres, type Interval } from '../quantity/index.ts'
import { Refusal } from '../refusal/index.ts'
import { allowedStrength, type Judgement } from '../rules/index.ts'
import {
  clashOf,
  correct,
  leftIn,
  measuresFor,
  type Bath,
  type Clash,
  type Correction,
  type MeasuringTool,
  type Scale,
} from '../solution/index.ts'
import type { BathState } from './fold.ts'
import type { ProductSet, ProductUse } from '../house/product.ts'

/** The use of its label that a bath was mixed for; where nobody wrote it down, the one whose target it was mixed to, else the first with a range. */
export function useOfBath(
  bath: Pick<BathState, 'use' | 'target'>,
  product: Pick<ProductSet, 'uses'> | null,
): ProductUse | null {
  const uses = (product?.uses ?? []).filter((u) => u.range !== null)
  const named = bath.use === undefined ? null : uses.find((u) => u.id === bath.use)
  if (named || bath.use !== undefined) return named ?? null
  return uses.find((u) => u.target === bath.target) ?? uses[0] ?? null
}

/** A solution that reads wrong: how much of it there is, mL, where anybody knows. */
export interface Wrong {
  readonly volume: number | null
  readonly capacity: number | null
  readonly spoiled?: Bath['spoiled']
}

/**
 * The way back for a solution that was judged: into what code, label and authority allow together at the water that was read.
 * Only the product that it is made of is ever added. Null where its strength was not read, or nothing says what it should be.
 */
export function wayBack(
  product: Pick<ProductSet, 'supply'>,
  wrong: Wrong,
  strength: Interval | null,
  judgement: Pick<Judgement, 'layers'>,
  kit: { readonly tools: readonly MeasuringTool[]; readonly scales: readonly Scale[] },
): Correction | null {
  const band = allowedStrength(judgement)
  if (!strength || !band) return null
  const { volume, capacity, spoiled } = wrong
  const bath = {
    volume: volume === null ? null : millilitres(volume),
    capacity: capacity === null ? null : millilitres(capacity),
    reading: interval(strength.lo ?? 0, strength.hi),
    spoiled,
  }
  try {
    return correct(bath, product.supply, band, measuresFor(product.supply, kit))
  } catch (error) {
    if (error instanceof Refusal) return null
    throw error
  }
}

/** What the product of a bath would meet that its station's records say is in there; null where nothing is known against it. */
export function meetsInBath(
  product: Pick<ProductSet, 'chemicalClass'>,
  contents: string | null,
): Clash | null {
  const inside = leftIn(contents, null)
  if (inside === null || inside === 'water' || inside === 'empty' || inside === 'unknown') return null
  return clashOf(product.chemicalClass, inside)
}
