import { dayOf } from '@tadka/core/calendar'
import { allProcedures, procedureOn, proceduresOn, type Procedure } from '@tadka/core/procedure'
import type { SiteSet } from '@tadka/core/house'
import { computed } from 'vue'
import { nowByMinute } from '../wire/clock.ts'
import { useSite } from './site.ts'

/** What can be begun on this site today: the site's own procedures where they are in force, else the library's. */
export function useProcedures() {
  const site = useSite()
  const today = computed(() =>
    site.set && 'hours' in site.set
      ? dayOf(site.set as SiteSet, nowByMinute())
      : new Date(nowByMinute()).toISOString().slice(0, 10),
  )
  const latest = (id: string): Procedure | null =>
    procedureOn(id, today.value, (own) => site.one('procedure', own))
  return {
    /** The trading day, ISO date. */
    today,
    /** The one that is worked to today. */
    latest,
    nameOf: (id: string) => latest(id)?.name ?? id,
    of: (family: string): Procedure[] => proceduresOn(family, today.value, site.all('procedure')),
    families: () =>
      [
        ...new Set(
          [...allProcedures(), ...site.all('procedure').flatMap((o) => o.versions)].map((p) => p.family),
        ),
      ].toSorted(),
  }
}
