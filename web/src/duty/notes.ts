import { notesFound, type NoteKind, type NoteState } from '@tadka/core/record'
import { computed } from 'vue'
import { useSession } from '../rights/session.ts'
import { useProcedures } from '../site/procedures.ts'
import { useSiteStore } from '../site/site.ts'

/** What those who left tell those who come: found, read, settled, and left. */
export function useNotes() {
  const site = useSiteStore()
  const session = useSession()
  const { today } = useProcedures()
  const shift = (day: string) => ({ kind: 'shift', id: day }) as const
  const found = computed(() => notesFound(site.all('shift'), site.all('station'), session.acting?.id ?? ''))
  return {
    found,
    /** By whoever acts: all that stands there. */
    read(): void {
      const days = new Set(found.value.lines.map((n) => n.day))
      site.commit(...[...days].map((day) => site.draftOf('note.read@1', shift(day), { day })))
    },
    settle: ({ day, id }: NoteState) => site.record('note.settled@1', shift(day), { day, note: id }),
    leave: (kind: NoteKind, station: string | null, said: string) =>
      site.record('note.left@1', shift(today.value), { day: today.value, kind, station, said }),
  }
}
