import { type Doubt, type IncidentItem, type IncidentKind } from '@tadka/core/incident'
import { useI18n } from 'vue-i18n'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import { useUnitSystem } from '../site/unit-system.ts'

/** What is said of an incident and of each thing of its list. */
export function useIncidentWords() {
  const { t, te } = useI18n()
  const names = useNames()
  const site = useSite()
  const { system } = useUnitSystem()
  /** How far others keep away: about 25 feet. Common practice, no source. */
  const away = () => (system.value === 'us' ? '25 ft' : '7.5 m')

  const doubtOf = (doubt: Doubt): string => {
    if (doubt.what === 'bath') return t('incident.doubt.bath', { where: doubt.where })
    if (doubt.what === 'rerun') return t('incident.doubt.rerun', { where: names.station(doubt.from) })
    const said = t(`incident.doubt.${doubt.what}`)
    return 'station' in doubt ? `${names.station(doubt.station)}: ${said}` : said
  }
  const taskOf = (task: string): string =>
    te(`incident.task.${task}`) ? t(`incident.task.${task}`, { metres: away() }) : task
  const stationed = (station: string | null, said: string) =>
    station === null ? said : `${names.station(station)}: ${said}`

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
      case 'water':
        return stationed(item.station, t(`incident.water.${item.task}`))
      case 'run':
        return stationed(item.station, names.procedure(item.procedure))
    }
  }
  /** What was done, from the name under which it is on record. */
  function doneOf(task: string, station: string | null, food: string): string {
    const plain = task.replace(/^decided\./, '').replace(/-begun$/, '')
    const [what = '', id = ''] = plain.split(' ')
    if (plain.startsWith('food.')) return food
    if (te(`incident.task.${plain}`)) return taskOf(plain)
    if (te(`incident.water.${plain}`)) return stationed(station, t(`incident.water.${plain}`))
    if (what === 'cold') return stationed(id || station, t('incident.cold.in'))
    const bath = site.one('bath', id)
    if (what === 'bath') return t('incident.doubt.bath', { where: bath?.where ?? id })
    if (what === 'rerun') return t('incident.doubt.rerun', { where: '' }).trim()
    return te(`incident.doubt.${what}`) ? stationed(id || null, t(`incident.doubt.${what}`)) : plain
  }
  return {
    kindOf: (kind: IncidentKind) => t(`trouble.kind.${kind}`),
    itemOf,
    taskOf,
    doneOf,
  }
}
