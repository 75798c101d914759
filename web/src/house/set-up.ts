import { missingOf, type Missing } from '@tadka/core/procedure'
import { dayOf } from '@tadka/core/calendar'
import { instant } from '@tadka/core/quantity'
import type { InstrumentSet, SiteSet } from '@tadka/core/house'
import { computed } from 'vue'
import { useSession } from '../rights/session.ts'
import { useProcedures } from '../site/procedures.ts'
import { useSite } from '../site/site.ts'
import { now } from '../wire/clock.ts'
import { useKit } from '../site/kit.ts'

/** How far the site is set up, and what it lacks. */
export function useSetUp() {
  const site = useSite()
  const session = useSession()
  const kit = useKit()
  const procedures = useProcedures()
  const stations = computed(() =>
    site.all('station').flatMap((s) => (s.plate ? [{ id: s.id, ...s.plate }] : [])),
  )
  const missing = computed((): Missing[] =>
    missingOf({
      stations: stations.value,
      products: kit.products.value,
      instruments: kit.instruments.value as InstrumentSet[],
      people: session.everyone.map(({ id, role }) => {
        const crew = site.one('crew', id)
        return {
          id,
          role,
          isSignedOff: !!crew && 'signedOff' in crew && crew.signedOff.length + crew.learning.length > 0,
        }
      }),
      procedure: procedures.latest,
    }),
  )
  const onRoster = computed(() => {
    if (!site.set?.hours) return 0
    const roster = site.one('roster', dayOf(site.set as SiteSet, instant(now())))
    return roster && 'shifts' in roster ? roster.shifts.filter((s) => !s.away).length : 0
  })
  return {
    missing,
    counts: computed(() => ({
      machines: stations.value.length,
      where: new Set(stations.value.map((s) => s.place).filter(Boolean)).size,
      unchecked: stations.value.filter((s) => s.typical).length,
      products: kit.products.value.length,
      instruments: kit.instruments.value.length,
      people: Math.max(0, session.everyone.length - 1),
      roster: onRoster.value,
    })),
  }
}
