import type { Fold } from '../stream/fold.ts'
import { correctedAt } from '../stream/record.ts'
import type { StockCame, StockItem, StockOrdered } from './records.ts'

interface At {
  readonly at: number
  readonly by: string
}

export interface StockState {
  readonly id: string
  /** Null until somebody entered it. */
  readonly item: StockItem | null
  /** Each the oldest first; the last of them. */
  readonly counts: readonly ({ readonly amount: number } & At)[]
  readonly came: readonly (Omit<StockCame, 'of'> & At)[]
  readonly orders: readonly (StockOrdered & At)[]
  readonly lost: readonly ({ readonly amount: number; readonly why: string } & At)[]
}

const kept = 40

/** Something in stock: as it was entered last, with what was counted, came, was ordered and lost. */
export const stockFold: Fold<StockState> = {
  initial: (id) => ({ id, item: null, counts: [], came: [], orders: [], lost: [] }),
  apply(state, record) {
    const here = { at: correctedAt(record), by: record.by }
    switch (record.type) {
      case 'stock.set@1':
        return { ...state, item: record.payload }
      case 'stock.counted@1':
        return {
          ...state,
          counts: [...state.counts, { amount: record.payload.amount, ...here }].slice(-kept),
        }
      case 'stock.came@1': {
        const { of: _, ...came } = record.payload
        return { ...state, came: [...state.came, { ...came, ...here }].slice(-kept) }
      }
      case 'stock.ordered@1':
        return { ...state, orders: [...state.orders, { ...record.payload, ...here }].slice(-kept) }
      case 'stock.lost@1': {
        const { amount, why } = record.payload
        return { ...state, lost: [...state.lost, { amount, why, ...here }].slice(-kept) }
      }
      default:
        return state
    }
  },
}

/** What is ordered and has not come yet: each delivery fills the oldest order first. */
export function openOrders({ orders, came }: Pick<StockState, 'orders' | 'came'>): (StockOrdered & At)[] {
  const open = orders.map((o) => ({ ...o }))
  for (const delivery of came) {
    let left = delivery.amount
    for (const order of open) {
      if (left <= 0) break
      if (order.at > delivery.at || order.amount <= 0) continue
      const filled = Math.min(order.amount, left)
      order.amount -= filled
      left -= filled
    }
  }
  return open.filter((o) => o.amount > 0)
}
