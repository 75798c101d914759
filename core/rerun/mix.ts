/** What people may react to and a label must name: the nine of the United States (FALCPA, FASTER Act) and the fourteen of the EU (1169/2011, annex II). */
export const allergens = [
  'milk',
  'egg',
  'fish',
  'crustacean',
  'mollusc',
  'tree-nut',
  'peanut',
  'gluten',
  'soy',
  'sesame',
  'celery',
  'mustard',
  'lupin',
  'sulphite',
] as const
export type Allergen = (typeof allergens)[number]

/** A frozen-dessert or beverage mix as its maker states it. */
export interface MixSet {
  readonly name: string
  readonly flavour: string
  /** Its maker states in writing that it needs no time and temperature control. "Non-dairy" alone is no such statement. */
  readonly statedNotTcs: boolean
  /** Null: nobody has entered them, which is not the same as none. */
  readonly allergens: readonly Allergen[] | null
  /** Its maker allows it to be kept and run again; null: nobody has entered what the maker says. */
  readonly rerun: boolean | null
  /** Days that it keeps once it was drawn, the first day counted; null: its maker names none. */
  readonly keepDays: number | null
}

/** Days that ready-to-eat food for the cold is kept, the first day counted: FDA Food Code 2022, 3-501.17. */
export const mostDays = 7

/** Whether a mix needs time and temperature control: what nobody has entered does. */
export const isTcs = (mix: Partial<MixSet> | null): boolean => mix?.statedNotTcs !== true

/** Why a mix that is left may not be kept; null where it may. */
export const rerunFault = (mix: Partial<MixSet> | null): 'maker-forbids' | 'maker-unknown' | null =>
  mix === null || mix.rerun === true ? null : mix.rerun === false ? 'maker-forbids' : 'maker-unknown'

/** Allergens of several mixes together; null where those of one are not known. */
export function allergensOf(mixes: readonly (Partial<MixSet> | null)[]): readonly Allergen[] | null {
  if (mixes.length === 0 || mixes.some((m) => !m?.allergens)) return null
  return allergens.filter((a) => mixes.some((m) => m?.allergens?.includes(a)))
}

/**
 * What a machine needs between two mixes: a full clean where an allergen leaves or comes, or where it is not known that none does;
 * a rinse where only the flavour changes. Common practice, no source.
 */
export function betweenMixes(
  before: Partial<MixSet> | null,
  after: Partial<MixSet> | null,
): 'none' | 'rinse' | 'full-clean' {
  const [a, b] = [before?.allergens ?? null, after?.allergens ?? null]
  if (a === null || b === null) return 'full-clean'
  if (a.some((x) => !b.includes(x)) || b.some((x) => !a.includes(x))) return 'full-clean'
  return before?.name === after?.name && before?.flavour === after?.flavour ? 'none' : 'rinse'
}
