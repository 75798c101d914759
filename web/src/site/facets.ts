import type { StationState } from '@tadka/core/procedure'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { nowByMinute } from '../wire/clock.ts'
import { useTimes } from './times.ts'

/** What is longer ago than this is told with its day. */
const clockAloneMs = 18 * 3_600_000

/** How a machine stands: each side of it by its key, `run.facet.…`, and in words. */
export function useFacets(station: () => StationState) {
  const { t } = useI18n()
  const { clock, day } = useTimes()
  return computed(() => {
    const { facets: f, sanitizedAt } = station()
    const isOld = sanitizedAt !== null && nowByMinute() - sanitizedAt > clockAloneMs
    const since = sanitizedAt === null ? '' : `${isOld ? `${day(sanitizedAt)} ` : ''}${clock(sanitizedAt)}`
    return [
      ['contents', t(`run.contents.${f.contents}`)],
      ['assembly', t(`run.assembly.${f.assembly}`)],
      ['power', t(`run.power.${f.power}`)],
      ['hygiene', t(`run.hygiene.${f.hygiene}`, { since })],
      ...(f.feeds ? [['feeds', t(`run.feeds.${f.feeds}`)] as const] : []),
      ...(f.ice ? [['ice', t(`run.ice.${f.ice}`)] as const] : []),
      ...(f.heat ? [['heat', t(`run.heat.${f.heat}`)] as const] : []),
    ] as const
  })
}
