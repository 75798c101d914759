import { dateAfter } from '@tadka/core/calendar'
import type { StockItem, StockStands } from '@tadka/core/stock'
import { stringify } from 'csv-stringify/sync'
import { noFormula } from '../pack/tables.ts'

/** Days ahead that a shopping list looks. Common practice, no source: most shop once a week. */
export const shoppingDays = 7

export interface ToOrder {
  readonly item: StockItem
  readonly stands: StockStands
}

/** What is to be ordered within a week, by the day; @param today ISO date. One row an item, amounts in its own unit. */
export function shoppingTable(items: readonly ToOrder[], today: string): string {
  const columns = ['order_by', 'name', 'packs', 'pack', 'unit', 'supplier', 'price_each', 'held_by']
  const rows = items
    .filter(({ stands: { order } }) => order.inDays !== null && order.inDays <= shoppingDays)
    .toSorted((a, b) => (a.stands.order.inDays ?? 0) - (b.stands.order.inDays ?? 0))
    .map(({ item, stands: { order } }) =>
      [
        dateAfter(today, Math.max(0, order.inDays ?? 0)),
        item.name,
        String(order.packs),
        String(item.pack),
        item.unit,
        item.supplier,
        item.price === null ? '' : String(item.price),
        order.heldBy ?? '',
      ].map(noFormula),
    )
  return stringify([columns, ...rows], { bom: true })
}
