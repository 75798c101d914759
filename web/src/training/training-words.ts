import type { Lapse, SignOff, Standing, StillToShow, TrainingGap } from '@tadka/core/training'
import { useI18n } from 'vue-i18n'
import { useNames } from '../site/names.ts'
import { useTimes } from '../site/times.ts'

/** How somebody stands, in words. */
export function useTrainingWords() {
  const { t } = useI18n()
  const names = useNames()
  const { date } = useTimes()

  function lapse(l: Lapse): string {
    if (l.why === 'time') return t('training.lapse.time', { day: date(l.on) })
    if (l.why === 'changed') return t('training.lapse.changed')
    return t(`training.lapse.${l.why}`, { day: date(l.at), who: names.person(l.by), note: l.note })
  }
  function signed(s: SignOff): string {
    if (s.by === '') return t('training.stated')
    const told = { who: names.person(s.by), day: date(s.at) }
    return t(s.stated ? 'training.statedBy' : 'training.signedBy', told)
  }
  function left(l: StillToShow): string {
    const what = [
      l.shown ? t('training.leftShown') : '',
      l.watched > 0 ? t('training.leftWatched', { n: l.watched }, l.watched) : '',
      l.check ? t('training.leftCheck') : '',
    ].filter(Boolean)
    return what.length === 0 ? t('training.ready') : t('training.left', { what: what.join(', ') })
  }
  const passed = (at: number | null) =>
    at === null ? t('training.notPassed') : t('training.passed', { day: date(at) })
  function may({ may: how, signed: s }: Standing): string {
    const until = how === 'alone' && s?.until ? `, ${t('training.until', { day: date(s.until) })}` : ''
    return t(`training.may.${how}`) + until
  }
  /** What too few may do, and from when on. */
  function gap(g: TrainingGap, today: string): string {
    const told = { who: g.people.map(names.person).join(', '), day: date(g.from) }
    const how = g.people.length === 0 ? 'nobody' : 'one'
    return t(`training.gaps.${how}${g.from === today ? '' : 'From'}`, told)
  }
  return { lapse, signed, left, passed, may, gap, date }
}
