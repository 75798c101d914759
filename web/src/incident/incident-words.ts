import { type Doubt, type IncidentItem, type IncidentKind } from '@tadka/core/incident'
import { incidentTask, stationed as atStation } from '@tadka/words/incident'
import { useI18n } from 'vue-i18n'
import { useNames } from '../site/names.ts'
import { useTeller } from '../site/teller.ts'

/** What is said of an incident and of each thing of its list. */
export function useIncidentWords() {
  const { t } = useI18n()
  const names = useNames()
  const tell = useTeller()

  const doubtOf = (doubt: Doubt): string => {
    if (doubt.what === 'bath') return t('incident.doubt.bath', { where: doubt.where })
    if (doubt.what === 'rerun') return t('incident.doubt.rerun', { where: names.station(doubt.from) })
    const said = t(`incident.doubt.${doubt.what}`)
    return 'station' in doubt ? `${names.station(doubt.station)}: ${said}` : said
  }
  const taskOf = (task: string): string => incidentTask(tell, task)
  const stationed = (station: string | null, said: string) => atStation(tell, station, said)

  function itemOf(item: IncidentItem): string {
    switch (item.is) {
      case 'task':
      case 'timer':
        return taskOf(item.task)
      case 'doubt':
        return doubtOf(item.doubt)
      case 'cold':
        if (item.food) return item.food
        return stationed(
          item.station,
          t(item.rerun ? 'incident.doubt.rerun' : 'incident.cold.in', { where: '' }),
        ).trim()
      case 'run':
        return stationed(item.station, names.procedure(item.procedure))
    }
  }
  return {
    kindOf: (kind: IncidentKind) => t(`trouble.kind.${kind}`),
    itemOf,
    taskOf,
  }
}
