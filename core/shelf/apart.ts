import { clashOf, type ChemicalClass, type ClashEffect } from '../solution/index.ts'
import type { ShelfState } from './fold.ts'
import type { Beside, ShelfSet } from './records.ts'

/** What the store asks of a product. */
export interface Stored {
  readonly id: string
  readonly chemicalClass?: ChemicalClass
  readonly neverWith?: readonly ChemicalClass[] | null
}

/** Side by side, or one above the other, where it drips. */
export type Nearness = 'beside' | 'above'

/** Two that stand too near each other. */
export type TooNear = {
  /** Where the first stands, and where the other does. */
  readonly at: string
  readonly under: string
  readonly product: string
  readonly near: Nearness
  /** A danger to people; else one spoils the other. */
  readonly danger: boolean
} & (
  | { readonly with: 'product'; readonly other: string; readonly effect: ClashEffect | 'label' }
  | { readonly with: Beside }
)

/** Another product is in a slot than the one that belongs there. */
export interface WrongSlot {
  readonly at: string
  readonly mark: string
  readonly belongs: string
  readonly product: string
}

export interface StoreTold {
  /** Dangers first. */
  readonly tooNear: readonly TooNear[]
  readonly wrong: readonly WrongSlot[]
  /** Of these nobody has entered what the label says they must not meet: only their kind is judged. */
  readonly unread: readonly string[]
  /** Of these nobody has said where they stand. */
  readonly nowhere: readonly string[]
}

type Kept = ShelfState & { readonly shelf: ShelfSet }
const keptOf = (shelves: readonly ShelfState[]): Kept[] =>
  shelves.filter((s): s is Kept => s.shelf !== null && s.shelf.ended !== true)

/** What is on a place: what stands there, and in each slot what was put in last, else what belongs there. */
export function productsAt({ shelf, stands, filled }: ShelfState): string[] {
  const slots = shelf?.kind === 'dispenser' ? shelf.slots : []
  return [...new Set([...Object.keys(stands), ...slots.map((s) => filled[s.mark]?.product ?? s.product)])]
}

/** The places below one, the next first. A ring of places ends where it comes round. */
function below(from: Kept, shelves: readonly Kept[]): Kept[] {
  const found: Kept[] = []
  let next = shelves.find((s) => s.id === from.shelf.over)
  while (next && next !== from && !found.includes(next)) {
    found.push(next)
    next = shelves.find((s) => s.id === next?.shelf.over)
  }
  return found
}

/** What comes of it where two products meet; null where nothing is known against it. What only a label names is held to be a danger. */
function meeting(a: Stored, b: Stored): { effect: ClashEffect | 'label'; danger: boolean } | null {
  const [one, two] = [a.chemicalClass, b.chemicalClass]
  const clash = one && two ? clashOf(one, two) : null
  if (clash) return clash
  const named =
    (two !== undefined && a.neverWith?.includes(two)) || (one !== undefined && b.neverWith?.includes(one))
  return named ? { effect: 'label', danger: true } : null
}

/**
 * What stands too near what it must not meet: chemicals by the label and by their kind, and food and clean ware beside or below them.
 * Sources: FDA Food Code 2022, 7-201.11 (by spacing or partitioning; never above), from memory; "chemicals stand apart from each
 * other, too": common practice, no source.
 * @param shelves all places of the site. @param products the site's labels.
 */
export function storeTold(shelves: readonly ShelfState[], products: readonly Stored[]): StoreTold {
  const kept = keptOf(shelves)
  const label = (id: string): Stored => products.find((p) => p.id === id) ?? { id }
  const tooNear = kept.flatMap((s) => [
    ...(s.shelf.partitioned ? [] : besideAt(s, label)),
    ...below(s, kept).flatMap((under) => aboveAt(s, under, label)),
  ])
  const standing = new Set(kept.flatMap(productsAt))
  return {
    tooNear: tooNear.toSorted((a, b) => Number(b.danger) - Number(a.danger)),
    wrong: wrongSlots(shelves),
    unread: [...standing].filter((id) => (label(id).neverWith ?? null) === null),
    nowhere: products.map((p) => p.id).filter((id) => !standing.has(id)),
  }
}

function besideAt(s: Kept, label: (id: string) => Stored): TooNear[] {
  const here = productsAt(s)
  const at = { at: s.id, under: s.id, near: 'beside' } as const
  return here.flatMap((product, i) => [
    ...here.slice(i + 1).flatMap((other): TooNear[] => {
      const met = meeting(label(product), label(other))
      return met ? [{ ...at, product, with: 'product', other, effect: met.effect, danger: met.danger }] : []
    }),
    // What washes ware may stand by it in the dish room, if it cannot spill there (7-201.11): told, not held to be a danger.
    ...s.shelf.beside.map((w): TooNear => ({ ...at, product, with: w, danger: w === 'food' })),
  ])
}

function aboveAt(s: Kept, under: Kept, label: (id: string) => Stored): TooNear[] {
  const at = { at: s.id, under: under.id, near: 'above' } as const
  return productsAt(s).flatMap((product) => [
    ...productsAt(under).flatMap((other): TooNear[] => {
      const met = meeting(label(product), label(other))
      return met ? [{ ...at, product, with: 'product', other, effect: met.effect, danger: met.danger }] : []
    }),
    ...under.shelf.beside.map((w): TooNear => ({ ...at, product, with: w, danger: true })),
  ])
}

/** Slots of dispensers that hold another product than the one that belongs there now. */
export const wrongSlots = (shelves: readonly ShelfState[]): WrongSlot[] => keptOf(shelves).flatMap(wrongAt)

const wrongAt = ({ id, shelf, filled }: Kept): WrongSlot[] =>
  (shelf.kind === 'dispenser' ? shelf.slots : []).flatMap(({ mark, product: belongs }) => {
    const product = filled[mark]?.product ?? belongs
    return product === belongs ? [] : [{ at: id, mark, belongs, product }]
  })

/** What would be too near a product if it stood on one more place. */
export function nearAt(
  place: string,
  product: string,
  shelves: readonly ShelfState[],
  products: readonly Stored[],
): TooNear[] {
  const moved = shelves.map((s) =>
    s.id === place ? { ...s, stands: { ...s.stands, [product]: 0 } } : without(s, product),
  )
  return storeTold(moved, products).tooNear.filter(
    (n) => n.product === product || (n.with === 'product' && n.other === product),
  )
}

const without = (s: ShelfState, product: string): ShelfState => {
  const { [product]: _, ...stands } = s.stands
  return { ...s, stands }
}

/** Shelves on which a product may stand, with nothing too near. */
export const placesFor = (
  product: string,
  shelves: readonly ShelfState[],
  products: readonly Stored[],
): string[] =>
  keptOf(shelves)
    .filter((s) => s.shelf.kind === 'shelf' && nearAt(s.id, product, shelves, products).length === 0)
    .map((s) => s.id)
