import type { AnyRecord } from '@tadka/core/stream'
import { useI18n } from 'vue-i18n'
import { useRoundWords } from '../round/round-words.ts'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import { useTimes } from '../site/times.ts'
import { useAmounts } from '../stock/amounts.ts'

/** A record of what is kept up beside the machines in one sentence: food, rounds, what is to be done, stock, places; null of any other. */
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

  const shelfName = (id: string) => site.one('shelf', id)?.shelf?.name ?? id

  return (record: AnyRecord): string | null => {
    const { id } = record.subject
    switch (record.type) {
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
      case 'trap.set@1': {
        const { number, kind, area, ended } = record.payload
        return say(`trap.${ended ? 'ended' : 'set'}`, { number, area, kind: t(`pest.trap.${kind}`) })
      }
      case 'visit.set@1': {
        const { company, day, ended } = record.payload
        return say(`visit.${ended ? 'ended' : 'set'}`, { company, day: date(day) })
      }
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
      default:
        return null
    }
  }
}
