import type { Agent } from '@tadka/core/rules'
import type { ChemicalClass, Stated, Worded } from '@tadka/core/solution'
import type { VolumeUnit } from '@tadka/core/quantity'

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
  /** What a label with a strength says of a dilution as well: so many ppm at 1 to N. Empty: nothing. */
  readonly alsoGives: string
  readonly alsoAt: string
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
  alsoGives: '',
  alsoAt: '',
  uses: [emptyUse],
  ppe: '',
  firstAid: '',
  neverWith: null,
  codes: '',
}

/** A number as it stands in a field. */
export const text = (n: number | null | undefined) => (n === null || n === undefined ? '' : String(n))
