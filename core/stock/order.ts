import { surelyLasts, leastUsed, type Outlook } from './stands.ts'
import type { StockItem } from './records.ts'

/** What one order is to last beyond the next: days. Common practice, no source. */
const orderDays = 10
/** A delivery is used up so many days before its best-before date. Common practice, no source. */
const marginDays = 2

/** Days ahead that a shopping list looks. Common practice, no source: most shop once a week. */
export const shoppingDays = 7

export interface Order {
  /** Days from today by which it must be ordered; below zero: it is late. Null: not within a year. */
  readonly inDays: number | null
  readonly packs: number
  /** Why it is not more: what is bought in one would not be used up before its date. Absent: nothing holds it back. */
  readonly heldBy?: 'best-before'
}

/**
 * By when it is ordered, and how much. @param keepsDays from delivery to best-before date; null: it keeps.
 * A pack that would pass its date is not ordered: `packs` is 0 then.
 */
export function orderOf(
  item: Pick<StockItem, 'pack' | 'leadDays'>,
  outlook: Outlook,
  keepsDays: number | null,
): Order {
  const lasts = surelyLasts(outlook)
  const inDays = lasts === null ? null : lasts - item.leadDays
  const used = outlook.ahead
  const by = (days: number) => used[Math.min(Math.max(days, 1), used.length) - 1] ?? 0
  const wanted = Math.max(1, Math.ceil((by(item.leadDays + orderDays) - by(item.leadDays)) / item.pack))
  if (keepsDays === null) return { inDays, packs: wanted }
  const usable = leastUsed(outlook, item.leadDays + keepsDays - marginDays) - outlook.amount - outlook.coming
  const most = Math.max(0, Math.floor(usable / item.pack))
  return most < wanted ? { inDays, packs: most, heldBy: 'best-before' } : { inDays, packs: wanted }
}

/** Of what came, what is still there by what was used first: the last that came. And what of it outlasts its date. */
export interface Lot {
  readonly lot: string
  readonly bestBefore: string | null
  readonly amount: number
}

/** What is there by lots: the oldest is used first. @param came the oldest first. */
export function lotsLeft(
  came: readonly { readonly amount: number; readonly lot: string; readonly bestBefore: string | null }[],
  amount: number,
): Lot[] {
  let left = amount
  return [...came]
    .toSorted((a, b) => (a.bestBefore ?? '9').localeCompare(b.bestBefore ?? '9'))
    .toReversed()
    .flatMap(({ lot, bestBefore, amount: of }): Lot[] => {
      const here = Math.min(of, left)
      left -= here
      return here > 0 ? [{ lot, bestBefore, amount: here }] : []
    })
    .toReversed()
}
