import { followUpProcedure } from '@tadka/core/plan'
import { showMinutes } from '@tadka/core/quantity'
import { useI18n } from 'vue-i18n'
import { useHaveReady } from '../procedure/have-ready.ts'
import { useNames } from '../site/names.ts'
import { useProcedures } from '../site/procedures.ts'
import { useSite } from '../site/site.ts'
import { minutesOf, type Job } from './jobs.ts'

/** A job in words: its machine, what is done, how long it takes and what to bring. */
export function useJobWords() {
  const { t } = useI18n()
  const names = useNames()
  const site = useSite()
  const { latest } = useProcedures()
  const haveReady = useHaveReady()

  const what = (job: Job): string => {
    if (job.state === 'break') return ''
    const text = job.procedure === followUpProcedure ? t('shift.followUps') : names.procedure(job.procedure)
    return text.charAt(0).toLowerCase() + text.slice(1)
  }
  const machine = (job: Job): string => (job.state === 'break' ? t('plan.break') : names.station(job.station))

  /** "48 min of work, 7 min of waiting". */
  function lasts(job: Job, from: number): string {
    const { work, wait } = minutesOf(job, from)
    if (job.state === 'break') return showMinutes(work)
    return t(wait > 0 ? 'plan.yours.lastsWaits' : 'plan.yours.lasts', {
      work: showMinutes(work),
      wait: showMinutes(wait),
    })
  }
  const bring = (job: Job): string => {
    const procedure = job.state === 'break' ? null : latest(job.procedure)
    const options = site.one('station', job.station)?.plate?.options ?? {}
    return procedure ? haveReady(procedure, options).join(', ') : ''
  }
  /** "Kiosk slush: clean by hand". */
  const whole = (job: Job): string => [machine(job), what(job)].filter(Boolean).join(': ')

  return { what, machine, whole, lasts, bring }
}
