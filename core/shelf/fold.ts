import type { Fold } from '../stream/fold.ts'
import { correctedAt } from '../stream/record.ts'
import type { ShelfSet } from './records.ts'

export interface ShelfState {
  readonly id: string
  /** Null until somebody entered it. */
  readonly shelf: ShelfSet | null
  /** The products that stand here, by when that was said last, ms UTC. */
  readonly stands: Readonly<Record<string, number>>
  /** What was put into each slot last, by its mark. */
  readonly filled: Readonly<Record<string, { readonly product: string; readonly at: number }>>
}

export const shelfFold: Fold<ShelfState> = {
  initial: (id) => ({ id, shelf: null, stands: {}, filled: {} }),
  apply(state, record) {
    const at = correctedAt(record)
    if (record.type === 'shelf.set@1') return { ...state, shelf: record.payload }
    if (record.type === 'shelf.stands@1') {
      const { product, here } = record.payload
      const { [product]: _, ...rest } = state.stands
      // Brought from here to another place.
      const isHere = here && record.subject.id === state.id
      return { ...state, stands: isHere ? { ...rest, [product]: at } : rest }
    }
    if (record.type === 'slot.filled@1') {
      const { mark, product } = record.payload
      return { ...state, filled: { ...state.filled, [mark]: { product, at } } }
    }
    return state
  },
}
