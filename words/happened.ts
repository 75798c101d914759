import type { SampleFound } from '@tadka/core/lab'
import { decimals } from '@tadka/core/quantity'
import { aboutTask } from '@tadka/core/incident'
import { standsOf, type Happened, type HappenedLine } from '@tadka/core/sheet'
import { incidentDone } from './incident.ts'
import { amendedWords } from './sheet.ts'
import type { SiteTeller, Teller } from './tell.ts'

/** A laboratory's number as it is written: "Coliform: less than 10 /g". */
export const foundWords = ({ t }: Pick<Teller, 't'>, { of, value, bound, unit }: SampleFound): string =>
  t('lab.line', {
    of: t(`lab.of.${of}`),
    value: bound === null ? decimals(value, 3) : `${t(`lab.bound.${bound}`)} ${decimals(value, 3)}`,
    unit,
  })

/** Where it happened, where its sentence does not say so: a fault's machine, a pest's area; empty of all else. */
export function happenedAt({ station }: Pick<Teller, 'station'>, { type, about }: Happened): string {
  if (type === 'pest.caused@1' || type === 'pest.settled@1') return about.name
  return type.startsWith('fault.') || type === 'visit.done@1' ? about.stations.map(station).join(', ') : ''
}

type Done = (Happened & { type: 'incident.done@1' })['payload']

function doneWords(tell: SiteTeller, payload: Done, name: string): string {
  const { t, has, date, clock } = tell
  const what = incidentDone(tell, payload.task, payload.station, payload.food ?? name, name)
  if (payload.kept) return t('log.say.incident.kept', { what, why: payload.note })
  const isDoubt = has(`incident.doubt.${payload.task.split(' ')[0]}`)
  if (isDoubt || payload.thrownOut) return t('log.say.incident.thrownOut', { what })
  if (aboutTask(payload.task) !== payload.task) return t('log.say.incident.gone', { what })
  if (!payload.read) return t('log.say.incident.done', { what })
  const { warmSince: at } = payload
  const warm = () => (at === null ? 'warmUnknown' : 'warmSince')
  const time = typeof at === 'number' ? `${date(at)} ${clock(at)}` : ''
  return t('log.say.incident.read', {
    what,
    since: t(`log.say.incident.${at === undefined ? 'throughout' : warm()}`, { time }),
    read: `${decimals(payload.read.value, 1)} ${payload.read.unit}`,
  })
}

/** Something that happened, in one sentence: on the screen, on paper, in a table. */
export function happenedWords(tell: SiteTeller, { type, payload, about }: Happened): string {
  const { t, date, clock, station, product } = tell
  const say = (key: string, told: Readonly<Record<string, string | number>> = {}) => t(`log.say.${key}`, told)
  const when = (at: number) => `${date(at)} ${clock(at)}`
  switch (type) {
    case 'incident.opened@1': {
      const n = payload.stations.length
      const where = payload.station ? station(payload.station) : payload.place
      const kind = [t(`trouble.kind.${payload.kind}`), where].filter(Boolean).join(', ')
      return say('incident.opened', { kind, out: t('trouble.out', { n }, n) })
    }
    case 'incident.counted@1':
      return say('incident.counted', { n: payload.out.length, away: payload.notHere.length })
    case 'incident.known-good@1':
      return payload.at === null
        ? say('incident.goodUnknown')
        : say('incident.known-good', { time: when(payload.at) })
    case 'incident.product@1':
      return say('incident.product', { product: product(payload.product) })
    case 'incident.done@1':
      return doneWords(tell, payload, about.name)
    case 'incident.over@1':
      return say('incident.over', { time: when(payload.at) })
    case 'incident.extent@1':
      return say(`incident.${payload.stopped ? 'extent' : 'no-extent'}`, { reason: payload.reason })
    case 'incident.approved@1':
      return say(`incident.${payload.way === 'plan' ? 'byPlan' : 'approved'}`, { who: payload.who })
    case 'incident.reopened@1': {
      const stations = payload.stations.map(station).join(', ') || '–'
      return say(`incident.${payload.ends ? 'ended' : 'reopened'}`, { stations })
    }
    case 'incident.false-alarm@1':
      return say('incident.false-alarm', { reason: payload.reason })
    case 'food.received@1': {
      const { name, read, took, note } = payload
      const told = say(`food.${took ? 'received' : 'sentBack'}${read ? 'Read' : ''}`, {
        name,
        read: read ? `${read.value} ${read.unit}` : '',
      })
      return note ? `${told}. ${note}` : told
    }
    case 'walk.ended@1':
      return payload.left === null
        ? say('walk.ended', { name: about.name })
        : say('walk.left', { name: about.name, left: payload.left })
    case 'pest.seen@1': {
      const { pest, sign, area, said } = payload
      const what = [t(`pest.kind.${pest ?? 'unknown'}`), t(`pest.sign.${sign}`)].join(', ')
      return say('pest.seen', { area, what, said })
    }
    case 'pest.caused@1':
      return say('pest.caused', { cause: t(`pest.cause.${payload.cause}`), said: payload.said })
    case 'pest.settled@1':
      return say('pest.settled', { said: payload.said })
    case 'trap.looked@1': {
      const { caught, sound, said } = payload
      const eaten = t(`pest.device.${caught > 0 ? 'wasEaten' : 'notEaten'}`)
      const looked = say('trap.looked', { number: about.name, n: about.bait ? eaten : caught })
      return [looked, ...(sound ? [] : [say('trap.unsound')]), said].filter(Boolean).join('. ')
    }
    case 'visit.done@1':
      return say('visit.done', { who: payload.who, did: payload.did, company: about.name })
    case 'fault.seen@1':
      return say(`fault.${payload.works === 'no' ? 'stopped' : 'seen'}`, {
        kind: t(`fault.kind.${payload.kind}`),
        said: payload.said,
      })
    case 'fault.called@1':
      return say('fault.called', { company: payload.company, answer: payload.answer })
    case 'fault.mended@1':
      return say('fault.mended', { who: payload.who, did: payload.did })
    case 'fault.dropped@1':
      return say('fault.dropped', { reason: payload.reason })
    case 'sample.taken@1': {
      const at = [payload.station ? station(payload.station) : '', payload.where].filter(Boolean).join(', ')
      return say('sample.taken', { kind: t(`lab.kind.${payload.kind}`), where: at })
    }
    case 'sample.result@1':
      return say('sample.result', { found: payload.found.map((f) => foundWords(tell, f)).join(', ') })
  }
}

/** A line of a day: what stands of it, empty where it was taken back; what it said before, and why that changed. */
export function happenedLine(
  tell: SiteTeller,
  line: HappenedLine,
): { readonly said: string; readonly before: string; readonly why: string } {
  const stands = standsOf(line)
  const said = stands ? happenedWords(tell, stands) : ''
  if (!line.amended) return { said, before: '', why: '' }
  return { said, before: happenedWords(tell, line), why: amendedWords(tell, line.amended) }
}
