import type { ChemicalClass } from './supply.ts'

export type ClashEffect = 'toxic-gas' | 'toxic' | 'inactive' | 'react' | 'neutralised'

export interface Clash {
  readonly between: readonly [ChemicalClass, ChemicalClass]
  readonly effect: ClashEffect
  /** A danger to people, not only a spoiled solution. */
  readonly danger: boolean
}

const meets = (a: ChemicalClass, b: ChemicalClass, effect: ClashEffect, danger: boolean): Clash => ({
  between: [a, b],
  effect,
  danger,
})

/** What must not meet. Chemical safety as labels and safety data sheets state it; common practice, no single source. */
const clashes: readonly Clash[] = [
  meets('acid', 'hypochlorite', 'toxic-gas', true),
  meets('ammonia', 'hypochlorite', 'toxic-gas', true),
  meets('quat', 'hypochlorite', 'toxic', true),
  meets('peroxide', 'hypochlorite', 'react', true),
  meets('peroxide', 'acid', 'toxic', true),
  // Soap never in sanitizer, and no sanitizer in soap.
  meets('quat', 'detergent', 'inactive', false),
  meets('hypochlorite', 'detergent', 'inactive', false),
  meets('iodine', 'detergent', 'inactive', false),
  meets('peroxide', 'detergent', 'inactive', false),
  meets('iodine', 'hypochlorite', 'react', true),
  meets('iodine', 'ammonia', 'react', true),
  meets('iodine', 'quat', 'inactive', false),
  meets('iodine', 'peroxide', 'react', true),
  meets('iodine', 'alkaline', 'inactive', false),
  meets('acid', 'quat', 'react', false),
  meets('acid', 'alkaline', 'neutralised', true),
  meets('acid', 'detergent', 'neutralised', false),
]

/** What happens when two classes meet, in either order; null where nothing is known against it. */
export const clashOf = (a: ChemicalClass, b: ChemicalClass): Clash | null =>
  clashes.find(({ between: [x, y] }) => (x === a && y === b) || (x === b && y === a)) ?? null

/** What may be in a vessel: a class, clear water, or contents that nobody knows. */
export type InVessel = ChemicalClass | 'water' | 'empty' | 'unknown'

export type PourVerdict =
  | { readonly may: true }
  | { readonly may: false; readonly why: 'clash'; readonly clash: Clash }
  | { readonly may: false; readonly why: 'unknown-contents' | 'same-product-stronger' }

/**
 * Whether a product may go into a vessel, given what is still in it. Unknown contents: no. More of the same "to make it
 * stronger" goes by a correction, not by a second dose.
 */
export function mayPour(product: ChemicalClass, inVessel: readonly InVessel[]): PourVerdict {
  for (const inside of inVessel) {
    if (inside === 'unknown') return { may: false, why: 'unknown-contents' }
    if (inside === 'water' || inside === 'empty') continue
    if (inside === product) return { may: false, why: 'same-product-stronger' }
    const clash = clashOf(product, inside)
    if (clash) return { may: false, why: 'clash', clash }
  }
  return { may: true }
}
