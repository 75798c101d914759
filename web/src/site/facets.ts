import { facetsSaid, type StationState } from '@tadka/core/procedure'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { nowByMinute } from '../wire/clock.ts'
import { useProcedures } from './procedures.ts'
import { useTimes } from './times.ts'

/** What is longer ago than this is told with its day. */
const clockAloneMs = 18 * 3_600_000

/** How a machine stands: each side of it by its key, `run.facet.…`, and in words. */
export function useFacets(station: () => StationState) {
  const { t } = useI18n()
  const procedures = useProcedures()
  const { clock, day } = useTimes()
  return computed(() => {
    const { facets: f, sanitizedAt, plate } = station()
    const own = procedures.of(plate?.family ?? '')
    const said = facetsSaid(own)
    const isSaid = (facet: 'contents' | 'assembly' | 'power' | 'hygiene') =>
      own.length === 0 || said.has(facet)
    const isOld = sanitizedAt !== null && nowByMinute() - sanitizedAt > clockAloneMs
    const since = sanitizedAt === null ? '' : `${isOld ? `${day(sanitizedAt)} ` : ''}${clock(sanitizedAt)}`
    return [
      ...(isSaid('contents') ? [['contents', t(`run.contents.${f.contents}`)] as const] : []),
      ...(isSaid('assembly') ? [['assembly', t(`run.assembly.${f.assembly}`)] as const] : []),
      ...(isSaid('power') ? [['power', t(`run.power.${f.power}`)] as const] : []),
      ...(isSaid('hygiene') ? [['hygiene', t(`run.hygiene.${f.hygiene}`, { since })] as const] : []),
      ...(f.feeds ? [['feeds', t(`run.feeds.${f.feeds}`)] as const] : []),
      ...(f.ice ? [['ice', t(`run.ice.${f.ice}`)] as const] : []),
      ...(f.heat ? [['heat', t(`run.heat.${f.heat}`)] as const] : []),
    ] as const
  })
}
