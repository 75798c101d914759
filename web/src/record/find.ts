import { boundsOfDay } from '@tadka/core/calendar'
import type { SiteSet } from '@tadka/core/house'
import { useDebounceFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useSession } from '../rights/session.ts'
import { useSiteStore } from '../site/site.ts'
import { ask } from '../wire/api.ts'

/** What is looked for, as it stands in the address; empty: whatever. */
const names = ['kind', 'station', 'area', 'person', 'verdict', 'from', 'to', 'words', 'run', 'only'] as const
export type FindName = (typeof names)[number]
export type Asked = Readonly<Record<FindName, string>>

/** How many records there are of each, of what else is asked for. */
export interface Counts {
  readonly types: Readonly<Record<string, number>>
  readonly verdicts: Readonly<Record<string, number>>
  readonly people: Readonly<Record<string, number>>
  readonly stations: Readonly<Record<string, number>>
  /** Cleanings that were late and corrective actions that are open; absent where they cannot be counted by what else is asked. */
  readonly only?: { readonly late: number; readonly open: number }
}
const restMs = 400

/** What is looked for in the log: kept in the address, so that going back and a shared link find it again. */
export function useFind() {
  const route = useRoute()
  const router = useRouter()
  const session = useSession()
  const site = useSiteStore()
  const asked = computed(
    () =>
      Object.fromEntries(
        names.map((n) => [n, typeof route.query[n] === 'string' ? route.query[n] : '']),
      ) as unknown as Asked,
  )
  const isAsked = computed(() => names.some((n) => n !== 'kind' && asked.value[n] !== ''))

  function look(change: Partial<Asked>): void {
    const all = { ...asked.value, ...change }
    const query = Object.fromEntries(Object.entries(all).filter(([, v]) => v !== ''))
    // Letter by letter is one step back.
    void ('words' in change ? router.replace({ query }) : router.push({ query }))
  }

  /** As the server is asked; nothing of it where nothing is looked for. */
  const query = computed(() => {
    const { station, area, person, verdict, from, to, words, only } = asked.value
    const set = site.set && 'hours' in site.set ? (site.set as SiteSet) : null
    const inArea = site.all('station').flatMap((s) => (s.plate?.place === area ? s.id : []))
    const stations = station ? [station] : area ? [...inArea, '-'] : []
    const isDay = (day: string) => set !== null && /^\d{4}-\d{2}-\d{2}$/.test(day)
    return {
      ...(stations.length > 0 ? { stations: stations.join() } : {}),
      ...(person ? { person } : {}),
      ...(verdict ? { verdicts: verdict === 'not-in' ? 'out,too-close,cannot-tell' : verdict } : {}),
      ...(set && isDay(from) ? { from: String(boundsOfDay(set, from).from) } : {}),
      ...(set && isDay(to) ? { to: String(boundsOfDay(set, to).to) } : {}),
      ...(words ? { words } : {}),
      ...(only === 'late' || only === 'open' ? { only } : {}),
    }
  })

  const counts = ref<Counts | null>(null)
  let turn = 0
  const count = useDebounceFn(async () => {
    const mine = ++turn
    const all = new URLSearchParams(query.value)
    const got = await ask<Counts>('GET', `/api/sites/${session.site}/log/counts?${all}`).catch(() => null)
    if (mine === turn) counts.value = got
  }, restMs)
  /** Counts anew whenever something else is looked for. */
  const counting = () => watch([query, () => site.seq], () => void count(), { immediate: true })

  return { asked, isAsked, query, look, counts, counting, clear: () => void router.push({ query: {} }) }
}
