import { decimals } from '@tadka/core/quantity'
import type { AnyRecord } from '@tadka/core/stream'
import { useI18n } from 'vue-i18n'
import { useNames } from '../site/names.ts'
import { useTimes } from '../site/times.ts'
import { useIncidentWords } from './incident-words.ts'

type IncidentRecord = Extract<AnyRecord, { type: `incident.${string}` }>
export const isOfIncident = (record: AnyRecord): record is IncidentRecord =>
  record.type.startsWith('incident.')

/** A record of what went wrong, in one sentence. */
export function useIncidentSentence() {
  const { t } = useI18n()
  const names = useNames()
  const { clock, day } = useTimes()
  const { kindOf, doneOf } = useIncidentWords()
  const when = (ms: number) => `${day(ms)} ${clock(ms)}`
  const all = (ids: readonly string[]) => ids.map(names.station).join(', ')

  function done({ payload }: IncidentRecord & { type: 'incident.done@1' }): string {
    const what = doneOf(payload.task, payload.station, payload.food ?? '')
    if (payload.kept) return t('log.say.incident.kept', { what, why: payload.note })
    if (!payload.read) return t('log.say.incident.done', { what })
    const { warmSince } = payload
    const since =
      warmSince === undefined
        ? t('log.say.incident.throughout')
        : warmSince === null
          ? t('log.say.incident.warmUnknown')
          : t('log.say.incident.warmSince', { time: when(warmSince) })
    return t('log.say.incident.read', {
      ...{ what, since },
      read: `${decimals(payload.read.value, 1)} ${payload.read.unit}`,
    })
  }
  return (record: IncidentRecord): string => {
    switch (record.type) {
      case 'incident.opened@1': {
        const { kind, stations } = record.payload
        const out = t('trouble.out', stations.length)
        return t('log.say.incident.opened', { kind: kindOf(kind), out })
      }
      case 'incident.counted@1': {
        const { out, notHere } = record.payload
        return t('log.say.incident.counted', { n: out.length, away: notHere.length })
      }
      case 'incident.known-good@1': {
        const { at } = record.payload
        return at === null
          ? t('log.say.incident.goodUnknown')
          : t('log.say.incident.known-good', { time: when(at) })
      }
      case 'incident.product@1':
        return t('log.say.incident.product', { product: names.product(record.payload.product) })
      case 'incident.done@1':
        return done(record)
      case 'incident.over@1':
        return t('log.say.incident.over', { time: when(record.payload.at) })
      case 'incident.extent@1': {
        const { stopped, reason } = record.payload
        return t(`log.say.incident.${stopped ? 'extent' : 'no-extent'}`, { reason })
      }
      case 'incident.approved@1': {
        const { way, who } = record.payload
        return t(`log.say.incident.${way === 'plan' ? 'byPlan' : 'approved'}`, { who })
      }
      case 'incident.reopened@1': {
        const { stations, ends } = record.payload
        return t(`log.say.incident.${ends ? 'ended' : 'reopened'}`, { stations: all(stations) || '–' })
      }
      case 'incident.false-alarm@1':
        return t('log.say.incident.false-alarm', { reason: record.payload.reason })
    }
  }
}
