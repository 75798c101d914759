import type { Fold } from '../stream/fold.ts'
import { correctedAt } from '../stream/record.ts'
import type { SampleResult, SampleTaken } from './records.ts'

interface Signed {
  readonly at: number
  readonly by: string
}

export interface SampleState {
  readonly id: string
  /** Null where none was taken, or that was taken back. */
  readonly taken: (SampleTaken & Signed) | null
  readonly result: (SampleResult & Signed) | null
}

export const sampleFold: Fold<SampleState> = {
  initial: (id) => ({ id, taken: null, result: null }),
  apply(state, record) {
    const here = { at: correctedAt(record), by: record.by }
    if (record.type === 'sample.taken@1') return { ...state, taken: { ...record.payload, ...here } }
    if (record.type === 'sample.result@1') return { ...state, result: { ...record.payload, ...here } }
    return state
  },
}
