import { aboutTask, type IncidentState } from '@tadka/core/incident'
import type { UnitSystem } from '@tadka/core/quantity'
import type { SiteTeller, Teller } from './tell.ts'

/** How far others keep away: about 25 feet. Common practice, no source. */
const away: Readonly<Record<UnitSystem, string>> = { us: '25 ft', metric: '7.5 m' }

/** Something of an incident's list that a person does, or the name itself where the catalogue has none. */
export const incidentTask = (
  { t, has, units }: Pick<SiteTeller, 't' | 'has' | 'units'>,
  task: string,
): string => (has(`incident.task.${task}`) ? t(`incident.task.${task}`, { metres: away[units] }) : task)

/** What is said of a machine, its name before it; without one, that alone. */
export const stationed = ({ station }: Pick<Teller, 'station'>, id: string | null, said: string): string =>
  id === null ? said : `${station(id)}: ${said}`

/** What was done, from the name under which it is on record. @param food by its name, where it is food that the log does not follow. @param bath where a bath stood that it is about. */
export function incidentDone(
  tell: SiteTeller,
  task: string,
  station: string | null,
  food: string,
  bath: string,
): string {
  const { t, has } = tell
  const plain = aboutTask(task).replace(/-begun$/, '')
  const [what = '', id = ''] = plain.split(' ')
  if (plain.startsWith('food.')) return food
  if (has(`incident.task.${plain}`)) return incidentTask(tell, plain)
  if (has(`incident.water.${plain}`)) return stationed(tell, station, t(`incident.water.${plain}`))
  if (what === 'cold') return stationed(tell, id || station, t('incident.cold.in'))
  if (what === 'bath') return t('incident.doubt.bath', { where: bath || id })
  if (what === 'rerun') return t('incident.doubt.rerun', { where: '' }).trim()
  return has(`incident.doubt.${what}`) ? stationed(tell, id || null, t(`incident.doubt.${what}`)) : plain
}

/** A whole incident, a sentence each: what and where, how long, what came back when, by whose word. */
export function incidentWords(tell: SiteTeller, i: IncidentState): string[] {
  const { t, date, clock, person, station } = tell
  const when = (at: number) => `${date(at)} ${clock(at)}`
  const where = i.station ? station(i.station) : i.place
  const kind = [t(`trouble.kind.${i.kind}`), where].filter(Boolean).join(', ')
  const out = i.stations.map(station).join(', ')
  const lasts = i.over !== null && i.over.at > i.at
  return [
    t('pack.incident.opened', { kind, time: when(i.at), who: person(i.by) }),
    ...(out ? [t('pack.incident.out', { stations: out })] : []),
    ...(lasts && i.over ? [t('pack.incident.over', { time: when(i.over.at) })] : []),
    ...(i.extent
      ? [t(`log.say.incident.${i.extent.stopped ? 'extent' : 'no-extent'}`, { reason: i.extent.reason })]
      : []),
    ...(i.approval
      ? [
          `${t(`log.say.incident.${i.approval.way === 'plan' ? 'byPlan' : 'approved'}`, { who: i.approval.who })}, ${when(i.approval.at)}`,
        ]
      : []),
    i.ended
      ? t(`pack.incident.${i.status === 'false-alarm' ? 'falseAlarm' : 'ended'}`, {
          time: when(i.ended.at),
          who: person(i.ended.by),
          reason: i.ended.reason,
        })
      : t('pack.incident.open'),
  ]
}
