import type { Fold } from '../stream/fold.ts'
import type { Procedure } from './language.ts'

export interface OwnProcedure {
  readonly id: string
  /** Each version as it was first entered, the newest last. */
  readonly versions: readonly Procedure[]
}

/** A site's own procedure. What a version says is fixed by its first record: runs rest on it. */
export const procedureFold: Fold<OwnProcedure> = {
  initial: (id) => ({ id, versions: [] }),
  apply(state, record) {
    if (record.type !== 'procedure.set@1') return state
    const { document } = record.payload
    if (state.versions.some((v) => v.version === document.version)) return state
    const versions = [...state.versions, document].toSorted((a, b) => a.version - b.version)
    return { ...state, versions }
  },
}
