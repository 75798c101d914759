import {
  fewestValues,
  hoursTogether,
  type CaseTrend,
  type CheckTrend,
  type LateTrend,
  type SolutionTrend,
  type WorkTrend,
} from '@tadka/core/trend'
import { showMinutes } from '@tadka/core/quantity'
import { useI18n } from 'vue-i18n'
import { useNames } from '../site/names.ts'
import { useTimes } from '../site/times.ts'

/** The answers that trends give, in words. */
export function useTrendWords() {
  const { t } = useI18n()
  const names = useNames()
  const { local, month: monthOf } = useTimes()
  const minutes = (n: number | null) => (n === null ? '' : showMinutes(Math.max(1, Math.round(n))))

  function mix({ chart, points }: SolutionTrend): string {
    if (!chart) return t('trend.mix.few', { n: points.length, least: fewestValues })
    if (chart.drift) return t(`trend.mix.${chart.drift}`)
    if (chart.signals.some((s) => s.rule === 'outside')) return t('trend.mix.outside')
    const ppm = points.map((p) => Math.round(p.value))
    return t('trend.mix.no', { lo: Math.min(...ppm), hi: Math.max(...ppm) })
  }
  function checks(all: readonly CheckTrend[]): string {
    const [first] = all
    if (!first || first.failed === 0) return t('trend.checks.none')
    const what = [first.station ? names.station(first.station) : '', t(`bench.what.${first.what}`)]
    return t('trend.checks.some', {
      what: what.filter(Boolean).join(', '),
      failed: first.failed,
      of: first.readings,
    })
  }
  /** The time of the day in which most of them failed, where there is one. */
  function mostly({ mostly: from }: CheckTrend): string {
    const at = (hour: number) => local(`${String(hour % 24).padStart(2, '0')}:00`)
    return from === null ? '' : t('trend.checks.between', { from: at(from), to: at(from + hoursTogether) })
  }
  function about(what: string): string {
    if (what === 'by-hand') return t('trend.cases.byHand')
    return what === 'forbidden-act' ? t('trend.cases.act') : t(`bench.what.${what}`)
  }
  function cases(all: readonly CaseTrend[]): string {
    const ended = all.filter((c) => c.medianMinutes !== null)
    if (all.length === 0) return t('trend.cases.none')
    const [most] = ended
    return most
      ? t('trend.cases.some', { what: about(most.what), median: minutes(most.medianMinutes) })
      : t('trend.cases.noneEnded')
  }
  function late(all: readonly LateTrend[]): string {
    const sum = (of: (w: LateTrend) => number) => all.reduce((n, w) => n + of(w), 0)
    const told = { late: sum((w) => w.late), notDone: sum((w) => w.notDone), days: sum((w) => w.days) }
    return told.late + told.notDone === 0 ? t('trend.late.none') : t('trend.late.some', told)
  }
  return {
    ...{ mix, checks, mostly, cases, late, minutes, about },
    tool: (tool: string) => names.instrument(tool),
    month: (m: string) => monthOf(m),
    took(w: WorkTrend, m: string): string {
      const of = w.months.find((o) => o.month === m)
      return of ? t('trend.work.value', { time: minutes(of.medianMinutes), n: of.cleanings }) : ''
    },
  }
}
