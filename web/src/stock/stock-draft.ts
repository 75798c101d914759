import type { StockItem, StockKind, StockUnit } from '@tadka/core/stock'
import { isLiquid, type Supply } from '@tadka/core/solution'

/** Something in stock as it is typed: numbers in the site's own units, NaN where they are none. */
export interface StockDraft {
  kind: StockKind
  id: string | null
  name: string
  unit: StockUnit
  pack: number | null
  leadDays: number | null
  supplier: string
  price: number | null
  keepsDays: number | null
  place: string
  perRun: { procedure: string | null; amount: number | null }[]
}

export const emptyStock = (): StockDraft => ({
  ...{ kind: 'product', id: null, name: '', unit: 'mL', pack: null, leadDays: null, supplier: '' },
  ...{ price: null, keepsDays: null, place: '', perRun: [] },
})

/** What a product is counted in, by how it is supplied. */
export const unitOfSupply = (supply: Supply): StockUnit =>
  supply.kind === 'pieces' ? 'pieces' : isLiquid(supply) ? 'mL' : 'g'

/** @param typed an amount as it is typed, of what is kept. */
export function draftOf(item: StockItem, typed: (kept: number) => number): StockDraft {
  const { of, perRun, pack, ...rest } = item
  return {
    ...{ name: rest.name, unit: rest.unit, leadDays: rest.leadDays, supplier: rest.supplier },
    ...{ price: rest.price, keepsDays: rest.keepsDays, place: rest.place, kind: of.kind },
    id: of.kind === 'thing' ? null : of.id,
    pack: typed(pack),
    perRun: perRun.map((p) => ({ procedure: p.procedure, amount: typed(p.amount) })),
  }
}

const isSome = (n: number | null): n is number => n !== null && !Number.isNaN(n) && n > 0
const isNone = (n: number | null) => n === null || !Number.isNaN(n)

/** The item, or null where something is missing or no number. @param kept an amount as it is kept, of what was typed. */
export function itemOf(d: StockDraft, kept: (typed: number) => number): StockItem | null {
  const { kind, id, name, unit, pack, leadDays, price, keepsDays } = d
  const of = kind === 'thing' ? ({ kind } as const) : id === null ? null : ({ kind, id } as const)
  const perRun = d.perRun.flatMap(({ procedure, amount }) =>
    procedure !== null && isSome(amount) ? [{ procedure, amount: kept(amount) }] : [],
  )
  if (!of || name.trim() === '' || !isSome(pack) || leadDays === null || Number.isNaN(leadDays)) return null
  if (!isNone(price) || !isNone(keepsDays) || perRun.length < d.perRun.length) return null
  return {
    ...{ name: name.trim(), of, unit, pack: kept(pack), leadDays, supplier: d.supplier.trim() },
    ...{ price, keepsDays, perRun, place: d.place.trim() },
  }
}
