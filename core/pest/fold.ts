import type { Fold } from '../stream/fold.ts'
import { correctedAt } from '../stream/record.ts'
import type { PestCaused, PestSeen, TrapLooked, TrapSet } from './records.ts'

interface Signed {
  readonly at: number
  readonly by: string
}

export interface PestState {
  readonly id: string
  /** Null where nothing was seen, or that was taken back. */
  readonly seen: (PestSeen & Signed) | null
  readonly caused: (PestCaused & Signed) | null
  readonly settled: ({ readonly said: string } & Signed) | null
}

export const pestFold: Fold<PestState> = {
  initial: (id) => ({ id, seen: null, caused: null, settled: null }),
  apply(state, record) {
    const here = { at: correctedAt(record), by: record.by }
    if (record.type === 'pest.seen@1') return { ...state, seen: { ...record.payload, ...here } }
    if (record.type === 'pest.caused@1') return { ...state, caused: { ...record.payload, ...here } }
    // What is settled first stands.
    if (record.type === 'pest.settled@1')
      return state.settled ? state : { ...state, settled: { ...record.payload, ...here } }
    return state
  },
}

export interface TrapState {
  readonly id: string
  readonly trap: TrapSet | null
  /** The newest last. */
  readonly looks: readonly (TrapLooked & Signed)[]
}

const looksKept = 30

export const trapFold: Fold<TrapState> = {
  initial: (id) => ({ id, trap: null, looks: [] }),
  apply(state, record) {
    if (record.type === 'trap.set@1') return { ...state, trap: record.payload }
    if (record.type !== 'trap.looked@1') return state
    const look = { ...record.payload, at: correctedAt(record), by: record.by }
    return { ...state, looks: [...state.looks, look].slice(-looksKept) }
  },
}
