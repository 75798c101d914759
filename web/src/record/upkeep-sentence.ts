import type { AnyRecord } from '@tadka/core/stream'
import { useI18n } from 'vue-i18n'
import { useFoundWords } from '../lab/found-words.ts'
import { useRoundWords } from '../round/round-words.ts'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import { useTimes } from '../site/times.ts'
import { useAmounts } from '../stock/amounts.ts'

type Upkeep = Extract<
  AnyRecord,
  {
    type: `${'food' | 'round' | 'walk' | 'task' | 'stock' | 'pest' | 'trap' | 'visit' | 'shelf' | 'slot' | 'container' | 'fault' | 'sample'}.${string}`
  }
>

/** Whether a record is of what is kept up beside the machines: food, rounds, what is to be done. */
export const isOfUpkeep = (record: AnyRecord): record is Upkeep =>
  /^(food|round|walk|task|stock|pest|trap|visit|shelf|slot|container|fault|sample)\./.test(record.type)

/** Such a record in one sentence. */
export function useUpkeepSentence() {
  const { t } = useI18n()
  const names = useNames()
  const site = useSite()
  const { date } = useTimes()
  const { asks } = useRoundWords()
  const say = (key: string, told: Record<string, string | number> = {}) => t(`log.say.${key}`, told)

  const { say: amountSaid } = useAmounts()
  const stocked = (id: string, amount: number) => {
    const item = site.one('stock', id)?.item
    return { name: item?.name ?? '', v: amountSaid(item?.unit ?? 'pieces', amount) }
  }

  const found = useFoundWords()
  const shelfName = (id: string) => site.one('shelf', id)?.shelf?.name ?? id

  return (record: Upkeep): string => {
    const { id } = record.subject
    switch (record.type) {
      case 'food.received@1': {
        const { name, read, took, note } = record.payload
        const told = say(`food.${took ? 'received' : 'sentBack'}${read ? 'Read' : ''}`, {
          name,
          read: read ? `${read.value} ${read.unit}` : '',
        })
        return note ? `${told}. ${note}` : told
      }
      case 'food.read@1': {
        const { read } = record.payload
        return say('food.read', {
          name: site.one('food', id)?.name ?? '',
          read: `${read.value} ${read.unit}`,
        })
      }
      case 'food.opened@1':
        return say('food.opened', { name: record.payload.name, day: date(record.payload.useBy) })
      case 'food.gone@1':
        return say(`food.${record.payload.how === 'used' ? 'used' : 'gone'}`, {
          name: site.one('food', id)?.name ?? '',
        })
      case 'round.set@1':
        return say(`round.${record.payload.ended ? 'ended' : 'set'}`, { name: record.payload.name })
      case 'walk.begun@1':
        return say('walk.begun', { name: site.one('round', id)?.round?.name ?? '' })
      case 'walk.looked@1': {
        const { area, ask, fine, said, reading } = record.payload
        const at = `${area}: ${asks(ask)}`
        if (fine) return say('walk.looked', { at })
        return reading ? say('walk.read', { at }) : say('walk.wrong', { at, said })
      }
      case 'walk.ended@1': {
        const name = site.one('round', id)?.round?.name ?? ''
        const { left } = record.payload
        return left === null ? say('walk.ended', { name }) : say('walk.left', { name, left })
      }
      case 'pest.seen@1': {
        const { pest, sign, area, said } = record.payload
        const what = [t(`pest.kind.${pest ?? 'unknown'}`), t(`pest.sign.${sign}`)].join(', ')
        return say('pest.seen', { area, what, said })
      }
      case 'pest.caused@1':
        return say('pest.caused', {
          cause: t(`pest.cause.${record.payload.cause}`),
          said: record.payload.said,
        })
      case 'pest.settled@1':
        return say('pest.settled', { said: record.payload.said })
      case 'trap.set@1': {
        const { number, kind, area, ended } = record.payload
        return say(`trap.${ended ? 'ended' : 'set'}`, { number, area, kind: t(`pest.trap.${kind}`) })
      }
      case 'trap.looked@1': {
        const { caught, sound, said } = record.payload
        const trap = site.one('trap', id)?.trap
        const eaten = t(`pest.device.${caught > 0 ? 'wasEaten' : 'notEaten'}`)
        const n = trap?.kind === 'bait-station' ? eaten : caught
        const looked = say('trap.looked', { number: trap?.number ?? '', n })
        return [looked, ...(sound ? [] : [say('trap.unsound')]), said].filter(Boolean).join('. ')
      }
      case 'visit.set@1': {
        const { company, day, ended } = record.payload
        return say(`visit.${ended ? 'ended' : 'set'}`, { company, day: date(day) })
      }
      case 'visit.done@1': {
        const { who, did } = record.payload
        return say('visit.done', { who, did, company: site.one('visit', id)?.visit?.company ?? '' })
      }
      case 'fault.seen@1': {
        const { kind, said, works } = record.payload
        return say(`fault.${works === 'no' ? 'stopped' : 'seen'}`, { kind: t(`fault.kind.${kind}`), said })
      }
      case 'fault.called@1':
        return say('fault.called', { company: record.payload.company, answer: record.payload.answer })
      case 'fault.mended@1':
        return say('fault.mended', { who: record.payload.who, did: record.payload.did })
      case 'fault.dropped@1':
        return say('fault.dropped', { reason: record.payload.reason })
      case 'sample.taken@1': {
        const { kind, station, where } = record.payload
        const at = [station ? names.station(station) : '', where].filter(Boolean).join(', ')
        return say('sample.taken', { kind: t(`lab.kind.${kind}`), where: at })
      }
      case 'sample.result@1':
        return say('sample.result', { found: record.payload.found.map(found).join(', ') })
      case 'shelf.set@1':
        return say(`shelf.${record.payload.ended ? 'ended' : 'set'}`, { name: record.payload.name })
      case 'shelf.stands@1': {
        const { product, here } = record.payload
        return say(`shelf.${here ? 'stands' : 'away'}`, {
          product: names.product(product),
          place: shelfName(id),
        })
      }
      case 'slot.filled@1': {
        const { mark, belongs, product } = record.payload
        return say(`slot.${product === belongs ? 'filled' : 'other'}`, {
          ...{ mark, place: shelfName(id) },
          ...{ product: names.product(product), belongs: names.product(belongs) },
        })
      }
      case 'container.emptied@1':
      case 'container.gone@1': {
        const { count, went } = record.payload
        return say(`container.${record.type === 'container.gone@1' ? 'gone' : 'emptied'}`, {
          ...{ n: count, product: names.product(id), way: t(`shelf.empty.way.${went}`) },
        })
      }
      case 'stock.set@1':
        return say(`stock.${record.payload.ended ? 'ended' : 'set'}`, { name: record.payload.name })
      case 'stock.counted@1':
        return say('stock.counted', stocked(id, record.payload.amount))
      case 'stock.came@1': {
        const { amount, lot, label } = record.payload
        const told = say(lot ? 'stock.cameLot' : 'stock.came', { ...stocked(id, amount), lot })
        return label === 'other' ? `${told}. ${say('stock.other')}` : told
      }
      case 'stock.ordered@1': {
        const { amount, expected } = record.payload
        return say('stock.ordered', { ...stocked(id, amount), day: date(expected) })
      }
      case 'stock.lost@1':
        return say('stock.lost', { ...stocked(id, record.payload.amount), why: record.payload.why })
      case 'task.set@1': {
        const { say: what, owner, due } = record.payload
        const told = { what, day: date(due), who: owner ? names.person(owner) : '' }
        return say(owner ? 'task.given' : 'task.set', told)
      }
      case 'task.done@1': {
        const { note } = record.payload
        const done = say('task.done', { what: record.payload.say })
        return note ? `${done}. ${note}` : done
      }
      case 'task.dropped@1':
        return say('task.dropped', {
          what: record.payload.say,
          reason: record.payload.reason,
        })
    }
  }
}
