import type { Fold } from '../stream/fold.ts'
import { correctedAt } from '../stream/record.ts'

/** The day's log signed by a shift lead or manager with their own PIN. */
export interface ShiftSigned {
  /** The site's trading day, ISO date. */
  readonly day: string
  /** The last record that the signature covers. */
  readonly upTo: number
  /** That record's hash: whoever holds the signature can tell whether what it covers was written anew. Absent in older ones. */
  readonly head?: string
  /** Cases that were open when it was signed. */
  readonly openCases: readonly string[]
  /** Why it was signed over what was left; empty where nothing was. */
  readonly reason: string
  /** What was not done, late, cut short, open or out of service when it was signed; absent in signatures of before it was looked at. */
  readonly left?: readonly {
    readonly what: string
    readonly station?: string
    readonly procedure?: string
  }[]
}

export interface ShiftState {
  readonly id: string
  readonly signatures: readonly (ShiftSigned & { readonly at: number; readonly by: string })[]
}

/** A trading day and who signed it. */
export const shiftFold: Fold<ShiftState> = {
  initial: (id) => ({ id, signatures: [] }),
  apply: (state, record) =>
    record.type === 'shift.signed@1'
      ? {
          ...state,
          signatures: [...state.signatures, { ...record.payload, at: correctedAt(record), by: record.by }],
        }
      : state,
}
