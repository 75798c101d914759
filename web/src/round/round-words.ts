import { sectionOf, type PointAsk, type RoundDue } from '@tadka/core/round'
import { useI18n } from 'vue-i18n'
import { useNames } from '../site/names.ts'
import { useTimes } from '../site/times.ts'
import { useUnitSystem } from '../site/unit-system.ts'

/** What a point asks, as whoever stands there reads it. */
export function useRoundWords() {
  const { t } = useI18n()
  const names = useNames()
  const { isUs } = useUnitSystem()
  const { clock } = useTimes()
  return {
    /** By when it is walked; nothing where it is not today. */
    when: (due: RoundDue | null) =>
      due ? t(`round.due.${due.is}`, { from: clock(due.from), to: clock(due.to) }) : '',
    asks(ask: PointAsk): string {
      if (ask.kind === 'own') return ask.say
      if (ask.kind === 'read') return t('round.set.read', { name: names.station(ask.station) })
      // FDA Food Code 2022, 3-305.11(A)(3), from memory: both as it prints them.
      return t(`round.usual.${ask.what}`, { height: isUs.value ? '6 in' : '15 cm' })
    },
    source(ask: PointAsk): string {
      if (ask.kind !== 'usual') return ''
      const section = sectionOf(ask.what)
      return section ? t('round.section', { section }) : t('round.practice')
    },
  }
}
