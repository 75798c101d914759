import type { StationState } from '../procedure/index.ts'
import type { ShiftState } from './shift.ts'

/** What those who leave tell those who come. */
export const noteKinds = ['dries', 'missing', 'off-menu', 'promised', 'other'] as const
export type NoteKind = (typeof noteKinds)[number]

/** A line of the note for the next shift. */
export interface NoteLeft {
  /** The trading day that it was written on, ISO date. */
  readonly day: string
  readonly kind: NoteKind
  readonly station: string | null
  readonly said: string
}

/** A line that needs nobody any more. */
export interface NoteSettled {
  /** The day that it was written on, ISO date. */
  readonly day: string
  /** The id of its record. */
  readonly note: string
}

/** Somebody has read all that was written on a day so far. */
export interface NotesRead {
  /** The day that it was written on, ISO date. */
  readonly day: string
}

interface Signed {
  readonly at: number
  readonly by: string
}
export interface NoteState extends NoteLeft, Signed {
  readonly id: string
  readonly settled: Signed | null
}

/** What a shift finds: lines nobody has settled, the newest first, and what the log itself knows. */
export interface NotesFound {
  readonly lines: readonly NoteState[]
  /** Stations whose parts were left to dry. */
  readonly dries: readonly string[]
  /** Whether somebody has a line before them that another wrote and they have not read. */
  readonly isUnread: boolean
}

/** The note as one person finds it. @param person by id. */
export function notesFound(
  shifts: readonly ShiftState[],
  stations: readonly Pick<StationState, 'id' | 'facets' | 'laidUp' | 'plate'>[],
  person: string,
): NotesFound {
  const lines = shifts
    .flatMap((s) => s.notes ?? [])
    .filter((n) => n.settled === null)
    .toSorted((a, b) => b.at - a.at)
  const isUnread = shifts.some(({ notes = [], notesRead = [] }) => {
    const last = notesRead.findLast((r) => r.by === person)?.at ?? -Infinity
    return notes.some((n) => n.settled === null && n.by !== person && n.at > last)
  })
  const dries = stations
    .filter((s) => s.plate && !s.plate.retired && !s.laidUp && s.facets.assembly === 'drying')
    .map((s) => s.id)
  return { lines, dries, isUnread }
}
