import type { CountedRuns } from '@tadka/contract/training'
import type { Procedure } from '@tadka/core/procedure'
import { isReady, stillToShow, type Shown, type Standing, type StillToShow } from '@tadka/core/training'
import { computed, ref, watch } from 'vue'
import { useSession } from '../rights/session.ts'
import { useSite } from '../site/site.ts'
import { ask } from '../wire/api.ts'
import { useStandings } from './standings.ts'

/** One procedure on somebody's card. */
export interface CardRow {
  readonly procedure: Procedure
  readonly standing: Standing
  /** Runs that count; null until the server, which has all of them, told. */
  readonly counted: Shown | null
  readonly left: StillToShow | null
  readonly ready: boolean
}

/** What is on a person's card: each procedure of the site's machines, those that they have begun to learn first. */
export function useCard(person: () => string) {
  const session = useSession()
  const site = useSite()
  const standings = useStandings()
  const counted = ref<CountedRuns['counted'] | null>(null)
  const failed = ref(false)

  async function load(): Promise<void> {
    const of = person()
    failed.value = false
    try {
      const got = await ask<CountedRuns>('GET', `/api/sites/${session.site}/training/${of}`)
      if (of === person()) counted.value = got.counted
    } catch {
      failed.value = true
    }
  }
  watch([person, () => site.one('training', person())], () => void load(), { immediate: true })

  const rows = computed((): CardRow[] =>
    standings.taught.value.flatMap((procedure): CardRow[] => {
      const standing = standings.standing(person(), procedure.id)
      if (!standing) return []
      const own = counted.value?.[standing.procedure] ?? null
      const told = counted.value === null ? null : (own ?? { shown: 0, watched: 0 })
      const left = told && standing.may !== 'alone' ? stillToShow(standing, told, standings.rule.value) : null
      return [{ procedure, standing, counted: told, left, ready: left !== null && isReady(left) }]
    }),
  )
  return { rows, failed, rule: standings.rule }
}
