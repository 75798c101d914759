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

/** From, to; both ends may be. */
export interface RecipeRange {
  readonly lo: number
  readonly hi: number
}

/** How a batch is to come out of the freezer: °C, and the number that its display shows; null where the recipe does not say. */
export interface Recipe {
  readonly celsius: RecipeRange | null
  readonly consistency: RecipeRange | null
}
export const recipeSides = ['celsius', 'consistency'] as const
export type RecipeSide = (typeof recipeSides)[number]

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
  /** Of a batch; absent where nobody has entered one. */
  readonly recipe?: Recipe
}

/** Whether a mix needs time and temperature control: what nobody has entered does. */
export const isTcs = (mix: Partial<MixSet> | null): boolean => mix?.statedNotTcs !== true

/** Whether what holds these mixes needs time and temperature control: it does where one of them does, or where nobody named them. */
export const anyTcs = (mixes: readonly (Partial<MixSet> | null)[]): boolean =>
  mixes.length === 0 || mixes.some(isTcs)

/** Why a mix that is left may not be kept; null where it may. */
export const rerunFault = (mix: Partial<MixSet> | null): 'maker-forbids' | 'maker-unknown' | null =>
  mix === null || mix.rerun === true ? null : mix.rerun === false ? 'maker-forbids' : 'maker-unknown'

/** What a side of a batch must lie in, by the recipe of the one mix that it is of; null where that is not known. */
export const recipeRange = (
  mixes: readonly (Partial<MixSet> | null)[],
  side: RecipeSide,
): RecipeRange | null => (mixes.length === 1 && mixes[0]?.recipe?.[side]) || null

/** What to do otherwise with the next batch: set its number by so much, or freeze it longer or less. */
export type NextBatch =
  { readonly set: 'higher' | 'lower'; readonly by: number } | { readonly freeze: 'longer' | 'less' }

/**
 * What a batch that came out asks of the next, by its recipe; null where it was in. The number is set to the middle of the recipe. A lower
 * number is softer: common practice, no source. @param read °C, or the number of the display.
 */
export function nextBatch(side: RecipeSide, read: number, { lo, hi }: RecipeRange): NextBatch | null {
  if (read >= lo && read <= hi) return null
  if (side === 'celsius') return { freeze: read > hi ? 'longer' : 'less' }
  return { set: read < lo ? 'higher' : 'lower', by: Math.abs(Math.round((lo + hi) / 2 - read)) }
}

/** What people may react to that is in one mix and not in the other; null where those of either are not known. */
export function allergensBetween(
  before: readonly (Partial<MixSet> | null)[],
  after: readonly (Partial<MixSet> | null)[],
): { readonly leave: readonly Allergen[]; readonly come: readonly Allergen[] } | null {
  const [was, is] = [allergensOf(before), allergensOf(after)]
  if (!was || !is) return null
  return { leave: was.filter((a) => !is.includes(a)), come: is.filter((a) => !was.includes(a)) }
}

/** Whether a machine must be cleaned fully between two mixes: where an allergen leaves or comes, or nobody knows. */
export function asksFullClean(
  before: readonly (Partial<MixSet> | null)[],
  after: readonly (Partial<MixSet> | null)[],
): boolean {
  const between = allergensBetween(before, after)
  return between === null || between.leave.length + between.come.length > 0
}

/** Allergens of several mixes together; null where those of one are not known. */
export function allergensOf(mixes: readonly (Partial<MixSet> | null)[]): readonly Allergen[] | null {
  if (mixes.length === 0 || mixes.some((m) => !m?.allergens)) return null
  return allergens.filter((a) => mixes.some((m) => m?.allergens?.includes(a)))
}
