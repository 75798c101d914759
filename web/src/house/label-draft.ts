import {
  celsius,
  fahrenheit,
  millilitres,
  ppm,
  toCelsius,
  toFahrenheit,
  type VolumeUnit,
} from '@tadka/core/quantity'
import { type ProductSet, type ProductUse, slugOf } from '@tadka/core/house'
import { Refusal } from '@tadka/core/refusal'
import type { Agent } from '@tadka/core/rules'
import {
  activeInPiece,
  gramsPerLitreOf,
  perLitreOf,
  stockAtRatio,
  stockOf,
  type ChemicalClass,
  type Stated,
  type Supply,
  type Worded,
} from '@tadka/core/solution'
import type { Product } from '../site/kit.ts'
import { parseField } from '../pieces/field.ts'

/** One use on a label, as it is typed. Temperatures in °C and °F as the label pairs them; empty: the label is silent. */
export interface UseDraft {
  readonly id: string
  readonly name: string
  readonly lo: string
  readonly hi: string
  readonly target: string
  readonly waterC: string
  readonly waterF: string
  readonly hardest: string
  readonly contact: string
  readonly rinseAfter: boolean
  readonly alsoWashes: boolean
}

export type SupplyKind =
  'strength' | 'to' | 'in' | 'per-litre' | 'powder' | 'grams-per-litre' | 'pieces' | Worded['as']

/** A label as it is typed, in the order labels are worded: what it is, how strong, what for, what to wear, what never. */
export interface LabelDraft {
  readonly name: string
  readonly purpose: string
  /** Empty until somebody has said. */
  readonly chemicalClass: ChemicalClass | ''
  readonly agent: Agent | ''
  readonly supply: SupplyKind
  readonly amount: string
  readonly as: Stated['as']
  readonly density: string
  readonly counts: Stated['counts']
  readonly mayBeHalved: boolean
  /** Of a dose as the label words it: "3 fl oz per 1 gal", "200 ppm at 1 : 256", "1 tablet per 5 L gives 200 ppm". */
  readonly unit: VolumeUnit | 'oz' | 'g'
  readonly per: string
  readonly of: VolumeUnit
  readonly meaning: 'to' | 'in'
  readonly gives: string
  readonly uses: readonly UseDraft[]
  readonly ppe: string
  readonly firstAid: string
  /** Null: not entered. */
  readonly neverWith: readonly ChemicalClass[] | null
  /** Bar codes, with commas between them. */
  readonly codes: string
}

export const emptyUse: UseDraft = {
  id: '',
  name: '',
  lo: '',
  hi: '',
  target: '',
  waterC: '',
  waterF: '',
  hardest: '',
  contact: '',
  rinseAfter: false,
  alsoWashes: false,
}

export const emptyLabel: LabelDraft = {
  name: '',
  purpose: '',
  chemicalClass: '',
  agent: '',
  supply: 'strength',
  amount: '',
  as: '% w/v',
  density: '',
  counts: 'active',
  mayBeHalved: false,
  unit: 'mL',
  per: '1',
  of: 'L',
  meaning: 'to',
  gives: '',
  uses: [emptyUse],
  ppe: '',
  firstAid: '',
  neverWith: null,
  codes: '',
}

const text = (n: number | null | undefined) => (n === null || n === undefined ? '' : String(n))
const number = (typed: string) => (typed.trim() === '' ? null : parseField(typed).value)
const isNone = (typed: string) => typed.trim() !== '' && number(typed) === null

export const useTyped = (u: ProductUse): UseDraft => ({
  id: u.id,
  name: u.name,
  lo: text(u.range?.lo),
  hi: text(u.range?.hi),
  target: text(u.target),
  waterC: text(u.temperature?.c),
  waterF: text(u.temperature?.f),
  hardest: text(u.hardestWater),
  contact: text(u.contactSeconds),
  rinseAfter: u.rinseAfter,
  alsoWashes: u.alsoWashes ?? false,
})

/** An entered label, to be changed. */
export function labelTyped(p: Product): LabelDraft {
  const { supply } = p
  const stated = supply.kind === 'strength' ? supply.stated : undefined
  const worded = 'worded' in supply ? supply.worded : undefined
  const kind: SupplyKind = worded ? worded.as : supply.kind === 'ratio' ? supply.meaning : supply.kind
  const amount =
    supply.kind === 'strength'
      ? (stated?.value ?? supply.stock)
      : supply.kind === 'ratio'
        ? supply.parts
        : supply.kind === 'per-litre'
          ? supply.millilitres
          : supply.kind === 'grams-per-litre'
            ? supply.grams
            : supply.kind === 'powder'
              ? supply.active * 100
              : supply.active
  return {
    name: p.name,
    purpose: p.purpose,
    chemicalClass: p.chemicalClass,
    agent: p.agent ?? '',
    supply: kind,
    amount: text(amount),
    as: stated?.as ?? 'ppm',
    density: text(stated?.density),
    counts: stated?.counts ?? 'active',
    mayBeHalved: supply.kind === 'pieces' && supply.mayBeHalved,
    ...wordedTyped(worded),
    uses: p.uses.map(useTyped),
    ppe: p.ppe.join(', '),
    firstAid: p.firstAid,
    neverWith: p.neverWith,
    codes: (p.codes ?? []).join(', '),
  }
}

const listed = (typed: string): string[] => [
  ...new Set(
    typed
      .split(',')
      .map((x) => x.trim())
      .filter(Boolean),
  ),
]

export type LabelFault = 'name' | 'class' | 'amount' | 'density' | 'uses' | 'codes'
export type UseFault = 'name' | 'range' | 'target' | 'numbers'

type WordedDraft = Pick<LabelDraft, 'unit' | 'per' | 'of' | 'meaning' | 'gives'> & { amount?: string }
/** A dose as its label words it, to be changed; what it has no word for stays as it was. */
function wordedTyped(w: Worded | undefined): WordedDraft {
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
  const [per, gives] = [number(d.per), number(d.gives)]
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
  const amount = number(d.amount)
  if (amount === null || amount <= 0) return null
  if (isWorded(d.supply)) return wordedSupply(d, amount)
  if (d.supply === 'to' || d.supply === 'in') return { kind: 'ratio', parts: amount, meaning: d.supply }
  if (d.supply === 'per-litre') return { kind: 'per-litre', millilitres: millilitres(amount) }
  if (d.supply === 'grams-per-litre') return { kind: 'grams-per-litre', grams: amount }
  if (d.supply === 'powder') return amount <= 100 ? { kind: 'powder', active: amount / 100 } : null
  if (d.supply === 'pieces') return { kind: 'pieces', active: amount, mayBeHalved: d.mayBeHalved }
  const stated: Stated = { value: amount, as: d.as, density: number(d.density), counts: d.counts }
  try {
    return { kind: 'strength', stock: ppm(stockOf(stated)), stated }
  } catch (error) {
    if (error instanceof Refusal) return null
    throw error
  }
}

/** What is wrong with one use; nothing where the label is silent on it. */
export function useFaults(u: UseDraft): UseFault[] {
  const faults: UseFault[] = []
  const [lo, hi, target] = [number(u.lo), number(u.hi), number(u.target)]
  if (u.name.trim() === '') faults.push('name')
  if ([u.lo, u.hi, u.target, u.waterC, u.waterF, u.hardest, u.contact].some(isNone)) faults.push('numbers')
  if ((lo === null) !== (hi === null) || (lo !== null && hi !== null && lo > hi)) faults.push('range')
  if (target !== null && lo !== null && hi !== null && (target < lo || target > hi)) faults.push('target')
  if (lo !== null && target === null) faults.push('target')
  return faults
}

export function labelFaults(d: LabelDraft): LabelFault[] {
  const faults: LabelFault[] = []
  if (d.name.trim() === '') faults.push('name')
  if (d.chemicalClass === '') faults.push('class')
  if (d.supply === 'strength' && d.as === '% w/w' && !number(d.density)) faults.push('density')
  else if (supplyOf(d) === null) faults.push('amount')
  const codes = listed(d.codes)
  if (codes.length > 8 || codes.some((c) => c.length < 4 || c.length > 48)) faults.push('codes')
  if (d.uses.length === 0 || d.uses.some((u) => useFaults(u).length > 0)) faults.push('uses')
  return faults
}

/** How warm the water must be, in both units: as the label pairs them, or the one that was typed in whole degrees of the other. */
function waterOf(u: UseDraft): ProductUse['temperature'] {
  const [c, f] = [number(u.waterC), number(u.waterF)]
  if (c !== null) return { c, f: f ?? Math.round(toFahrenheit(celsius(c))) }
  return f === null ? null : { c: Math.round(toCelsius(fahrenheit(f))), f }
}

/**
 * The label that was typed, ready for the log; null while something is wrong with it.
 * @param readIt what stands for first aid where nobody copied the label's own words.
 */
export function labelOf(d: LabelDraft, readIt = ''): ProductSet | null {
  const supply = supplyOf(d)
  const { chemicalClass } = d
  if (!supply || chemicalClass === '' || labelFaults(d).length > 0) return null
  const uses = d.uses.map((u): ProductUse => {
    const [lo, hi] = [number(u.lo), number(u.hi)]
    return {
      id: u.id || slugOf(u.name) || 'use',
      name: u.name.trim(),
      range: lo === null || hi === null ? null : { lo, hi },
      target: number(u.target),
      temperature: waterOf(u),
      hardestWater: number(u.hardest),
      contactSeconds: number(u.contact),
      rinseAfter: u.rinseAfter,
      ...(u.alsoWashes ? { alsoWashes: true } : {}),
    }
  })
  return {
    name: d.name.trim(),
    purpose: (d.purpose.trim() || uses.map((u) => u.name).join('; ')).slice(0, 200),
    chemicalClass,
    agent: d.agent || null,
    supply,
    uses,
    ppe: listed(d.ppe),
    firstAid: d.firstAid.trim() || readIt,
    neverWith: d.neverWith,
    ...(listed(d.codes).length > 0 ? { codes: listed(d.codes) } : {}),
  }
}
