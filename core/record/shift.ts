import type { Fold } from '../stream/fold.ts'
import { correctedAt } from '../stream/record.ts'
import type { NoteState } from './notes.ts'
import type { HuddleHeld } from '../training/huddle.ts'

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

/** A day that somebody looked through, signed with their own PIN. */
export interface ShiftReviewed {
  /** The site's trading day, ISO date. */
  readonly day: string
  /** The last record that it covers, and that record's hash. */
  readonly upTo: number
  readonly head?: string
  /** How many things of the day were not as they should be then: each stood before the rest. Absent where nobody counted. */
  readonly exceptions?: number
  readonly note: string
}

/** Somebody is the person in charge from now on, until another is or the day is over. */
export interface ChargeTaken {
  /** The site's trading day, ISO date. */
  readonly day: string
}

interface Signed {
  readonly at: number
  readonly by: string
}

export interface ShiftState {
  readonly id: string
  readonly signatures: readonly (ShiftSigned & Signed)[]
  readonly reviews: readonly (ShiftReviewed & Signed)[]
  /** Who took charge, one after the other; absent where nobody said so. */
  readonly charge?: readonly Signed[]
  /** What the shift was told, and who was there; absent where nothing was. */
  readonly huddles?: readonly (HuddleHeld & Signed)[]
  /** What was left for the next shift, and who read it when; absent where nothing was. */
  readonly notes?: readonly NoteState[]
  readonly notesRead?: readonly Signed[]
}

/** A trading day, who signed it and who looked it through. */
export const shiftFold: Fold<ShiftState> = {
  initial: (id) => ({ id, signatures: [], reviews: [] }),
  apply(state, record) {
    const signed = { at: correctedAt(record), by: record.by }
    if (record.type === 'shift.signed@1')
      return { ...state, signatures: [...state.signatures, { ...record.payload, ...signed }] }
    if (record.type === 'shift.reviewed@1')
      return { ...state, reviews: [...state.reviews, { ...record.payload, ...signed }] }
    if (record.type === 'charge.taken@1') return { ...state, charge: [...(state.charge ?? []), signed] }
    if (record.type === 'huddle.held@1')
      return { ...state, huddles: [...(state.huddles ?? []), { ...record.payload, ...signed }] }
    if (record.type === 'note.left@1') {
      const note = { ...record.payload, ...signed, id: record.id, settled: null }
      return { ...state, notes: [...(state.notes ?? []), note] }
    }
    if (record.type === 'note.settled@1') {
      const { note } = record.payload
      const settled = (n: NoteState) => (n.id === note && n.settled === null ? { ...n, settled: signed } : n)
      return { ...state, notes: (state.notes ?? []).map(settled) }
    }
    if (record.type === 'note.read@1') return { ...state, notesRead: [...(state.notesRead ?? []), signed] }
    return state
  },
}
