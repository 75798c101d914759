import { baseOf } from '@tadka/core/procedure'
import { gapsAhead } from '@tadka/core/training'
import { computed } from 'vue'
import { useSession } from '../rights/session.ts'
import { useSite } from '../site/site.ts'
import { useStandings } from './standings.ts'

/** What too few may do alone within so many days, of all that falls due on the site's machines. */
export function useGaps(days: number) {
  const session = useSession()
  const site = useSite()
  const standings = useStandings()
  /** Only what falls due is missed when nobody may do it. */
  const due = computed(() => {
    const named = new Set(site.all('station').flatMap((s) => s.plate?.duties.map((d) => d.procedure) ?? []))
    return standings.taught.value.filter((p) => named.has(p.id) || named.has(baseOf(p.id)))
  })
  return computed(() =>
    gapsAhead(
      session.everyone.flatMap((p) => standings.ofPerson(p.id) ?? []),
      due.value,
      standings.today.value,
      days,
    ),
  )
}
