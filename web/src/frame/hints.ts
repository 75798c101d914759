import { useStorage } from '@vueuse/core'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { useSession } from '../rights/session.ts'

/** The hints of a first evening, each with the page on which it is told, in the order in which they come. */
const hints = [
  { id: 'yours', page: /^\/shift$/ },
  { id: 'name', page: /^\/shift$/ },
  { id: 'find', page: /^\/run$/ },
  { id: 'bench', page: /^\/bench/ },
  { id: 'log', page: /^\/log(\/entries)?$/ },
] as const

/** Everybody on this tablet, where nobody is to be told anything. */
const everyone = '*'

/** By person: the hints that they have seen on this tablet. */
const seen = useStorage<Record<string, readonly string[]>>('tadka.hints', {})

/** The one hint that whoever acts has not seen yet and that belongs to the page that is open; never in a run. */
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
        : (left.value.find((h) => h.page.test(route.path)) ?? null),
    ),
    /** Which of how many. */
    number: computed(() => hints.length - left.value.length + 1),
    of: hints.length,
    done: (id: string) => see([id]),
    skip: () => see(hints.map((h) => h.id)),
  }
}
