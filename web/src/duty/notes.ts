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
  return {
    found: computed(() => notesFound(site.all('shift'), site.all('station'), session.acting?.id ?? '')),
    read: () => site.record('note.read@1', shift(today.value), { day: today.value }),
    settle: ({ day, id }: NoteState) => site.record('note.settled@1', shift(day), { day, note: id }),
    leave: (kind: NoteKind, station: string | null, said: string) =>
      site.record('note.left@1', shift(today.value), { day: today.value, kind, station, said }),
  }
}
