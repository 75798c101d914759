import type { RulesOf } from '../stream/rules.ts'
import type { NoteLeft, NoteSettled, NotesRead } from './notes.ts'
import type { ChargeTaken, ShiftReviewed, ShiftSigned } from './shift.ts'

/** A photo of a strip, a fault, a part: named by the hash of its bytes, which may come later. */
export interface PhotoAttached {
  readonly station: string
  readonly run: string | null
  readonly step: string | null
  readonly sha256: string
  readonly note: string
}

interface LogPayloads {
  'photo.attached@1': PhotoAttached
  'shift.signed@1': ShiftSigned
  'shift.reviewed@1': ShiftReviewed
  'charge.taken@1': ChargeTaken
  'note.left@1': NoteLeft
  'note.settled@1': NoteSettled
  'note.read@1': NotesRead
}

declare module '../stream/record.ts' {
  interface Payloads extends LogPayloads {}
}

export const logRecords: RulesOf<keyof LogPayloads | 'record.amended@1'> = {
  'photo.attached@1': { needs: 'record' },
  'shift.signed@1': { needs: 'sign-shift', madeBy: 'signature' },
  'shift.reviewed@1': { needs: 'review-day', madeBy: 'signature' },
  'charge.taken@1': { needs: 'sign-shift', tap: true },
  'note.left@1': { needs: 'record', typed: true, tap: true },
  'note.settled@1': { needs: 'record', tap: true },
  'note.read@1': { needs: 'record' },
  'record.amended@1': { needs: 'amend', concerns: (amendment) => amendment.subjects },
}
