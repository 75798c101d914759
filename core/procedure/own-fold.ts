import type { Fold } from '../stream/fold.ts'
import type { Procedure } from './language.ts'

/** From a day on, this version of the site's own procedure is worked to; the library's where there is none. */
export interface PutInForce {
  readonly version: number | null
  /** Trading day, ISO date. */
  readonly from: string
}

export interface OwnProcedure {
  readonly id: string
  /** Each version as it was first entered, the newest last. */
  readonly versions: readonly Procedure[]
  /** What is worked to from when on, the earliest first; nothing where the procedure stands beside the library's. */
  readonly puts: readonly PutInForce[]
}

/** A site's own procedure. What a version says is fixed by its first record: runs rest on it. */
export const procedureFold: Fold<OwnProcedure> = {
  initial: (id) => ({ id, versions: [], puts: [] }),
  apply(state, record) {
    if (record.type === 'procedure.put@1') {
      const put = record.payload
      if (put.version !== null && !state.versions.some((v) => v.version === put.version)) return state
      // The last word holds: what was meant to come into force later is not to come any more.
      return { ...state, puts: [...state.puts.filter((p) => p.from < put.from), put] }
    }
    if (record.type !== 'procedure.set@1') return state
    const { document } = record.payload
    if (state.versions.some((v) => v.version === document.version)) return state
    const versions = [...state.versions, document].toSorted((a, b) => a.version - b.version)
    return { ...state, versions }
  },
}
