import { useStorage } from '@vueuse/core'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { useSession } from '../rights/session.ts'

/** The hints of a first evening, each with the place at which it is told, in the order in which they come. */
const hints = [
  { id: 'yours', place: 'shift' },
  { id: 'name', place: 'shift' },
  { id: 'find', place: 'run' },
  { id: 'bench', place: 'bench' },
  { id: 'log', place: 'log' },
] as const

/** Everybody on this tablet, where nobody is to be told anything. */
export const everyone = '*'

/** By person: the hints that they have seen on this tablet. */
const seen = useStorage<Record<string, readonly string[]>>('tadka.hints', {})

/** The one hint that whoever acts has not seen yet and that belongs to the place that is open; never in a run. */
export function useHints() {
  const session = useSession()
  const route = useRoute()
  const who = computed(() => session.acting?.id ?? '')
  const own = computed(() => [...(seen.value[who.value] ?? []), ...(seen.value[everyone] ?? [])])
  const left = computed(() => hints.filter((h) => !own.value.includes(h.id)))
  const see = (ids: readonly string[]) =>
    (seen.value = { ...seen.value, [who.value]: [...(seen.value[who.value] ?? []), ...ids] })
  return {
    hint: computed(() =>
      who.value === '' || route.meta['dock'] === false
        ? null
        : (left.value.find((h) => h.place === route.meta['place']) ?? null),
    ),
    /** Which of how many. */
    number: computed(() => hints.length - left.value.length + 1),
    of: hints.length,
    done: (id: string) => see([id]),
    skip: () => see(hints.map((h) => h.id)),
  }
}
