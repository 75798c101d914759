import { celsius, fahrenheit, toCelsius, toFahrenheit } from '@tadka/core/quantity'
import { type ProductSet, type ProductUse, slugOf } from '@tadka/core/house'
import type { Product } from '../site/kit.ts'
import { text, type LabelDraft, type SupplyKind, type UseDraft } from './label-draft.ts'
import { isNone, numberIn } from '../pieces/field.ts'
import { alsoOf, supplyOf, wordedTyped } from './label-supply.ts'

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
  const also = stated && worded?.as === 'at-ratio' ? worded : null
  const kind: SupplyKind =
    worded && !also ? worded.as : supply.kind === 'ratio' ? supply.meaning : supply.kind
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
    ...wordedTyped(also ? undefined : worded),
    alsoGives: text(also?.ppm),
    alsoAt: text(also?.parts),
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

export type LabelFault = 'name' | 'class' | 'amount' | 'density' | 'uses' | 'codes' | 'also'
export type UseFault = 'name' | 'range' | 'target' | 'numbers'

/** What is wrong with one use; nothing where the label is silent on it. */
export function useFaults(u: UseDraft): UseFault[] {
  const faults: UseFault[] = []
  const [lo, hi, target] = [numberIn(u.lo), numberIn(u.hi), numberIn(u.target)]
  if (u.name.trim() === '') faults.push('name')
  if ([u.lo, u.hi, u.target, u.waterC, u.waterF, u.hardest, u.contact].some((typed) => isNone(typed)))
    faults.push('numbers')
  if ((lo === null) !== (hi === null) || (lo !== null && hi !== null && lo > hi)) faults.push('range')
  if (target !== null && lo !== null && hi !== null && (target < lo || target > hi)) faults.push('target')
  if (lo !== null && target === null) faults.push('target')
  return faults
}

export function labelFaults(d: LabelDraft): LabelFault[] {
  const faults: LabelFault[] = []
  if (d.name.trim() === '') faults.push('name')
  if (d.chemicalClass === '') faults.push('class')
  if (d.supply === 'strength' && d.as === '% w/w' && !numberIn(d.density)) faults.push('density')
  else if (supplyOf(d) === null) faults.push('amount')
  const also = alsoOf(d)
  if (also === 'wrong' || also?.agrees === false) faults.push('also')
  const codes = listed(d.codes)
  if (codes.length > 8 || codes.some((c) => c.length < 4 || c.length > 48)) faults.push('codes')
  if (d.uses.length === 0 || d.uses.some((u) => useFaults(u).length > 0)) faults.push('uses')
  return faults
}

/** How warm the water must be, in both units: as the label pairs them, or the one that was typed in whole degrees of the other. */
function waterOf(u: UseDraft): ProductUse['temperature'] {
  const [c, f] = [numberIn(u.waterC), numberIn(u.waterF)]
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
    const [lo, hi] = [numberIn(u.lo), numberIn(u.hi)]
    return {
      id: u.id || slugOf(u.name) || 'use',
      name: u.name.trim(),
      range: lo === null || hi === null ? null : { lo, hi },
      target: numberIn(u.target),
      temperature: waterOf(u),
      hardestWater: numberIn(u.hardest),
      contactSeconds: numberIn(u.contact),
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
