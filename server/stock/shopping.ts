import { dateAfter } from '@tadka/core/calendar'
import { decimals, typedUnit, type UnitSystem } from '@tadka/core/quantity'
import { isToOrder, shoppingDays } from '@tadka/core/stock'
import { stringify } from 'csv-stringify/sync'
import { noFormula } from '../pack/tables.ts'
import type { StockKept } from './stock.ts'

/** What is to be ordered within a week, by the day: a row an item, in the site's own units. @param today ISO date. */
export function shoppingTable(kept: readonly StockKept[], today: string, units: UnitSystem): string {
  const columns = ['order_by', 'name', 'packs', 'pack', 'unit', 'supplier', 'price_each', 'held_by']
  const litres = typedUnit('litres', units)
  const rows = kept
    .flatMap(({ item, told }) => (isToOrder(told, shoppingDays) ? [{ item, order: told.order }] : []))
    .toSorted((a, b) => (a.order.inDays ?? 0) - (b.order.inDays ?? 0))
    .map(({ item, order }) => {
      const isLiquid = item.unit === 'mL'
      return [
        dateAfter(today, Math.max(0, order.inDays ?? 0)),
        item.name,
        String(order.packs),
        isLiquid ? decimals(litres.typed(item.pack / 1000), 3) : String(item.pack),
        isLiquid ? litres.unit : item.unit,
        item.supplier,
        item.price === null ? '' : String(item.price),
        order.heldBy ?? '',
      ].map(noFormula)
    })
  return stringify([columns, ...rows], { bom: true })
}
