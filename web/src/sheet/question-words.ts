import type { Question } from '@tadka/core/honesty'
import { decimals } from '@tadka/core/quantity'
import { useI18n } from 'vue-i18n'
import { useNames } from '../site/names.ts'

/** A question in words: what is asked, what it rests on, and what honest answer it may have. */
export function useQuestionWords() {
  const { t } = useI18n()
  const names = useNames()
  const percent = (share: number) => Math.round(100 * share)
  /** What was read: a product for one of its uses, or a machine's product. */
  const likeOf = (like: string) => {
    const [product = '', use] = like.split(' ')
    return use === undefined ? names.station(product) : names.product(product)
  }

  function rests(q: Question): string {
    switch (q.kind) {
      case 'always-the-same':
        return t('question.rests.always-the-same', {
          ...{ like: likeOf(q.like), value: q.value, times: q.times, others: q.others },
          share: percent(q.othersShare),
        })
      case 'round-numbers':
        return t('question.rests.round-numbers', {
          ...{ like: likeOf(q.like), round: q.round, of: q.of, share: percent(q.othersShare) },
        })
      case 'all-at-once':
        return t('question.rests.all-at-once', {
          ...{ n: q.records.length, stations: q.stations, work: q.work, minutes: decimals(q.minutes, 1) },
        })
      case 'shorter-than-its-waits':
        return t('question.rests.shorter-than-its-waits', {
          ...{ minutes: decimals(q.minutes, 1), least: decimals(q.least, 1) },
        })
      case 'two-places':
        return t('question.rests.two-places', {
          ...{ one: q.areas[0], other: q.areas[1], seconds: decimals(q.seconds, 0) },
        })
      case 'not-on-shift':
        return t('question.rests.not-on-shift', { n: q.entries })
    }
  }
  return {
    asks: (q: Question) => t(`question.asks.${q.kind}`, { who: names.person(q.person) }),
    rests,
    honest: (q: Question) => t(`question.answers.${q.kind}`),
  }
}
