import { millilitres, ppm } from '@tadka/core/quantity'
import { Refusal } from '@tadka/core/refusal'
import {
  activeInPiece,
  agreesWith,
  gramsPerLitreOf,
  perLitreOf,
  stockAtRatio,
  stockOf,
  type Stated,
  type Supply,
  type Worded,
} from '@tadka/core/solution'
import { emptyLabel, text, type LabelDraft, type SupplyKind } from './label-draft.ts'
import { numberIn } from '../pieces/field.ts'

type WordedDraft = Pick<LabelDraft, 'unit' | 'per' | 'of' | 'meaning' | 'gives'> & { amount?: string }
/** A dose as its label words it, to be changed; what it has no word for stays as it was. */
export function wordedTyped(w: Worded | undefined): WordedDraft {
  const { unit, per, of, meaning, gives } = emptyLabel
  const blank = { unit, per, of, meaning, gives }
  if (!w) return blank
  switch (w.as) {
    case 'at-ratio':
      return { ...blank, amount: text(w.ppm), per: text(w.parts), meaning: w.meaning }
    case 'pieces-per':
      return { ...blank, amount: text(w.pieces), per: text(w.per), of: w.of, gives: text(w.ppm) }
    default:
      return { ...blank, amount: text(w.amount), unit: w.unit, per: text(w.per), of: w.of }
  }
}

/** The wording that was typed, as a supply; null where a number is missing. */
function wordedSupply(d: LabelDraft, amount: number): Supply | null {
  const [per, gives] = [numberIn(d.per), numberIn(d.gives)]
  if (per === null || per <= 0) return null
  const { of, meaning } = d
  switch (d.supply) {
    case 'per-volume': {
      if (d.unit === 'oz' || d.unit === 'g') return null
      const worded = { as: 'per-volume', amount, unit: d.unit, per, of } as const
      return { kind: 'per-litre', millilitres: perLitreOf(worded), worded }
    }
    case 'per-weight': {
      const worded = { as: 'per-weight', amount, unit: d.unit === 'oz' ? 'oz' : 'g', per, of } as const
      return { kind: 'grams-per-litre', grams: gramsPerLitreOf(worded), worded }
    }
    case 'at-ratio': {
      const worded = { as: 'at-ratio', ppm: amount, parts: per, meaning } as const
      return { kind: 'strength', stock: stockAtRatio(worded), worded }
    }
    case 'pieces-per': {
      if (gives === null || gives <= 0) return null
      const worded = { as: 'pieces-per', pieces: amount, per, of, ppm: gives } as const
      return { kind: 'pieces', active: activeInPiece(worded), mayBeHalved: d.mayBeHalved, worded }
    }
    default:
      return null
  }
}

/** Doses that are typed as the label words them. */
export const wordings = ['per-volume', 'per-weight', 'at-ratio', 'pieces-per'] as const
const isWorded = (kind: SupplyKind): boolean => (wordings as readonly string[]).includes(kind)

/** How the label states the dose, or null where what was typed is no dose. */
export function supplyOf(d: LabelDraft): Supply | null {
  const amount = numberIn(d.amount)
  if (amount === null || amount <= 0) return null
  if (isWorded(d.supply)) return wordedSupply(d, amount)
  if (d.supply === 'to' || d.supply === 'in') return { kind: 'ratio', parts: amount, meaning: d.supply }
  if (d.supply === 'per-litre') return { kind: 'per-litre', millilitres: millilitres(amount) }
  if (d.supply === 'grams-per-litre') return { kind: 'grams-per-litre', grams: amount }
  if (d.supply === 'powder') return amount <= 100 ? { kind: 'powder', active: amount / 100 } : null
  if (d.supply === 'pieces') return { kind: 'pieces', active: amount, mayBeHalved: d.mayBeHalved }
  const stated: Stated = { value: amount, as: d.as, density: numberIn(d.density), counts: d.counts }
  const [gives, parts] = [numberIn(d.alsoGives), numberIn(d.alsoAt)]
  const worded =
    gives !== null && parts !== null && gives > 0 && parts > 0
      ? ({ as: 'at-ratio', ppm: gives, parts, meaning: 'to' } as const)
      : null
  try {
    return { kind: 'strength', stock: ppm(stockOf(stated)), stated, ...(worded ? { worded } : {}) }
  } catch (error) {
    if (error instanceof Refusal) return null
    throw error
  }
}

/**
 * Whether what a label says of its dilution agrees with its strength: null where it says nothing of it, `wrong` where half of it is missing
 * or no number, else what it really gives, where that is another figure.
 */
export function alsoOf(d: LabelDraft): 'wrong' | { readonly gives: number; readonly agrees: boolean } | null {
  if (d.supply !== 'strength' || (d.alsoGives.trim() === '' && d.alsoAt.trim() === '')) return null
  const supply = supplyOf(d)
  if (supply?.kind !== 'strength') return null
  if (supply.worded?.as !== 'at-ratio') return 'wrong'
  return agreesWith(supply.stock, supply.worded)
}
