import type { StockState } from './fold.ts'
import { lotsLeft, orderOf, type Lot, type Order } from './order.ts'
import { daysLeft, outlookOf, type DaysLeft, type Untold, type Used } from './stands.ts'

/** How something in stock stands. Amounts in its unit. */
export interface StockStands {
  readonly id: string
  /** What is probably there, and what that may be off by, four in five. */
  readonly amount: number
  readonly doubt: number
  readonly countedAt: number
  readonly coming: number
  /** Used a day by the log, and beside it. */
  readonly perDay: number
  readonly lossPerDay: number
  readonly left: DaysLeft
  readonly order: Order
  readonly lots: readonly Lot[]
}
export type StockTold = StockStands | { readonly id: string; readonly untold: Untold }

/** Whether it is to be ordered within so many days; 0: today, or it was to be. What nobody can tell of is not. */
export const isToOrder = (told: StockTold, days: number): told is StockStands =>
  !('untold' in told) && told.order.inDays !== null && told.order.inDays <= days

const dayMs = 86_400_000
/** Four in five. */
const usually = 1.28
/** Deliveries that tell how long it keeps when it comes. */
const lastDeliveries = 3

/** Days from delivery to best-before date: the shortest of the last deliveries, else as entered; null: it keeps. */
export function keepsDaysOf({ item, came }: Pick<StockState, 'item' | 'came'>): number | null {
  const seen = came
    .slice(-lastDeliveries)
    .flatMap(({ at, bestBefore }) =>
      bestBefore === null ? [] : [Math.max(0, Math.floor((Date.parse(bestBefore) - at) / dayMs))],
    )
  return seen.length > 0 ? Math.min(...seen) : (item?.keepsDays ?? null)
}

/** How something stands now. @param used by the log, ms UTC; @param since from when on it knows; @param today when today began; @param now ms UTC. */
export function stockTold(
  state: StockState,
  used: Used,
  since: number,
  today: number,
  now: number,
): StockTold {
  const outlook = outlookOf(state, used, since, today, now)
  if (typeof outlook === 'string' || !state.item)
    return { id: state.id, untold: typeof outlook === 'string' ? outlook : 'not-counted' }
  const { amount, doubt, countedAt, coming, forecast, loss } = outlook
  return {
    ...{ id: state.id, amount, countedAt, coming, doubt: doubt * usually },
    ...{ perDay: forecast.level, lossPerDay: loss.perDay },
    left: daysLeft(outlook),
    order: orderOf(state.item, outlook, keepsDaysOf(state)),
    lots: lotsLeft(state.came, amount),
  }
}
