import type { Fold } from '../stream/fold.ts'
import { correctedAt } from '../stream/record.ts'
import type { FaultCalled, FaultMended, FaultSeen } from './records.ts'

interface Signed {
  readonly at: number
  readonly by: string
}

export interface FaultState {
  readonly id: string
  /** Null where nothing was seen, or that was taken back. */
  readonly seen: (FaultSeen & Signed) | null
  /** The oldest first. */
  readonly calls: readonly (FaultCalled & Signed)[]
  readonly mended: (FaultMended & Signed) | null
  readonly dropped: ({ readonly reason: string } & Signed) | null
}

export const faultFold: Fold<FaultState> = {
  initial: (id) => ({ id, seen: null, calls: [], mended: null, dropped: null }),
  apply(state, record) {
    const here = { at: correctedAt(record), by: record.by }
    switch (record.type) {
      case 'fault.seen@1':
        return { ...state, seen: { ...record.payload, ...here } }
      case 'fault.called@1':
        return { ...state, calls: [...state.calls, { ...record.payload, ...here }] }
      case 'fault.mended@1':
        return { ...state, mended: { ...record.payload, ...here } }
      case 'fault.dropped@1':
        return { ...state, dropped: { ...record.payload, ...here } }
      default:
        return state
    }
  },
}

export type FaultOpen = FaultState & { readonly seen: FaultSeen & Signed }

const weight = { no: 0, care: 1, yes: 2 } as const

/** Faults that nobody has mended or dropped: what stops a machine first, the oldest before. */
export const openFaults = (faults: readonly FaultState[]): FaultOpen[] =>
  faults
    .filter((f): f is FaultOpen => f.seen !== null && f.mended === null && f.dropped === null)
    .toSorted((a, b) => weight[a.seen.works] - weight[b.seen.works] || a.seen.at - b.seen.at)
