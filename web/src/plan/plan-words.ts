import {
  followUpProcedure,
  latenessOf,
  type Change,
  type Lateness,
  type Pin,
  type Plan,
  type PlanProblem,
  type Refused,
  type Repair,
  type Told,
  type WayOut,
} from '@tadka/core/plan'
import { showMinutes } from '@tadka/core/quantity'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../site/times.ts'
import { useNames } from '../site/names.ts'
import { worksOn } from './lanes.ts'
import type { Look, Price } from './planner.ts'

const minutesOf = (all: readonly { readonly minutes: number }[]) => all.reduce((n, l) => n + l.minutes, 0)

/** Plans, changes, prices and reasons in words. */
export function usePlanWords() {
  const { t } = useI18n()
  const { clock } = useTimes()
  const names = useNames()
  const at = (problem: PlanProblem, minute: number) => clock(problem.start + minute * 60_000)
  const people = (ids: readonly string[]) => ids.map(names.person).join(', ')

  /** "Kiosk slush, In place": a run by its key. */
  function runName(problem: PlanProblem | null, key: string): string {
    const run = problem?.runs.find((r) => r.id === key)
    const [station = '', procedure = ''] = key.split('/')
    const title = run?.procedure === followUpProcedure ? t(`run.choice.${run.title}`) : run?.title
    return run
      ? `${names.station(run.station)}, ${title}`
      : `${names.station(station)}, ${names.procedure(procedure)}`
  }

  /** "3 jobs late, together 1 h 14 min"; who is kept past their hours is told beside it. */
  function late({ late: jobs, over }: Lateness, unplaced: number): string {
    const of = (key: 'jobs' | 'over', all: readonly { readonly minutes: number }[]) =>
      all.length > 0
        ? [t(`plan.late.${key}`, { n: all.length, time: showMinutes(minutesOf(all)) }, all.length)]
        : []
    const parts = [...of('jobs', jobs), ...of('over', over)]
    return parts.length > 0 ? parts.join(', ') : t(unplaced > 0 ? 'plan.late.rest' : 'plan.late.none')
  }

  /** What a plan breaks because it must. */
  function told(problem: PlanProblem, plan: Plan, x: Told): string {
    const span = 'from' in x ? { from: at(problem, x.from), to: at(problem, x.to) } : {}
    if (x.kind === 'no-keys') return t('plan.risk.no-keys', span)
    if (x.kind === 'machine-down')
      return t('plan.risk.machine-down', { ...span, what: runName(problem, x.run) })
    const who = names.person(x.person)
    if (x.kind !== 'break-late') return t(`plan.risk.${x.kind}`, { who, ...span })
    const taken = plan.breaks.find((b) => b.person === x.person && b.id === x.id)
    return t('plan.risk.break-late', {
      who,
      time: showMinutes(x.minutes),
      at: at(problem, taken?.start ?? 0),
    })
  }

  function change(problem: PlanProblem, c: Change): string {
    const what = runName(problem, c.run)
    const to = c.to ?? c.from
    const time = to ? at(problem, Math.max(0, to.start)) : ''
    const by = (c.to?.start ?? 0) - (c.from?.start ?? 0)
    return t(`plan.change.${c.kind}`, {
      what,
      time,
      by: t(by < 0 ? 'plan.change.earlier' : 'plan.change.later', { time: showMinutes(Math.abs(by)) }),
      from: people(c.from?.people ?? []),
      to: people(c.to?.people ?? []),
    })
  }

  /** "Give Kiosk slush to Dara: 12 min better": a small change, and what it wins over the plan as it stands. */
  function repair({ problem, kept }: Look, r: Repair): string {
    const said = t(`plan.repair.${r.kind}`, {
      what: runName(problem, r.run),
      other: r.other ? runName(problem, r.other) : '',
      who: r.to ? names.person(r.to) : '',
    })
    const [is, was] = [r.plan.objective, kept?.objective]
    const late = (was?.late ?? 0) - is.late
    const price = Math.round((was?.price ?? 0) - is.price)
    const wins = late > 0 ? t('plan.repair.late', { time: showMinutes(Math.round(late)) }) : ''
    const costs =
      price >= 0
        ? t('plan.repair.cheaper', { time: showMinutes(price) })
        : t('plan.repair.dearer', { time: showMinutes(-price) })
    return `${said}: ${[wins, costs].filter(Boolean).join(', ')}`
  }

  /** What the better plan wins over the one that is kept. */
  function gains({ problem, kept, best }: Look): string[] {
    if (!kept) return []
    const [a, b] = [kept.objective, best.objective]
    const last = { time: at(problem, b.last), before: at(problem, a.last) }
    const gone = a.terms.paid - b.terms.paid
    return [
      kept.unplaced.length !== best.unplaced.length
        ? t('plan.offer.unplaced', { n: best.unplaced.length, before: kept.unplaced.length })
        : '',
      a.late !== b.late && kept.unplaced.length === best.unplaced.length
        ? t('plan.offer.late', {
            then: late(latenessOf(problem, best), best.unplaced.length),
            now: late(latenessOf(problem, kept), kept.unplaced.length),
          })
        : '',
      problem.people.every(worksOn)
        ? ''
        : t(
            b.last < a.last
              ? 'plan.offer.last'
              : b.last > a.last
                ? 'plan.offer.lastLater'
                : 'plan.offer.lastSame',
            last,
          ),
      gone > 0 ? t('plan.offer.gone', { time: showMinutes(gone) }) : '',
    ].filter((s) => s !== '')
  }

  /** What putting a run there costs against the plan as it stands. */
  function costs(look: Look, standing: Plan | null): string[] {
    const { problem, best } = look
    if (!standing) return []
    const last = best.objective.last - standing.objective.last
    const lost = best.unplaced.filter((u) => !standing.unplaced.some((s) => s.run === u.run))
    const said = [
      ...lost.map((u) => t('plan.price.unplaced', { what: runName(problem, u.run) })),
      lost.length === 0 && best.objective.late > standing.objective.late
        ? t('plan.price.late', {
            then: late(latenessOf(problem, best), best.unplaced.length),
            now: late(latenessOf(problem, standing), standing.unplaced.length),
          })
        : '',
      last !== 0
        ? t(last > 0 ? 'plan.price.last' : 'plan.price.sooner', {
            time: showMinutes(Math.abs(last)),
            at: at(problem, best.objective.last),
          })
        : '',
    ].filter((s) => s !== '')
    return said.length > 0 ? said : [t('plan.price.free')]
  }

  function where(pin: Pin, start: number): string {
    const [who, time] = [
      pin.person === null ? '' : names.person(pin.person),
      pin.start === null ? '' : clock(start + pin.start * 60_000),
    ]
    if (who && time) return t('plan.price.byAt', { who, time })
    return who ? t('plan.price.by', { who }) : t('plan.price.at', { time })
  }

  function refused({ pin, start }: Price, r: Refused): string {
    const minute = r.why === 'too-early' ? r.from : r.why === 'station-up' ? r.until : 0
    return t(`plan.refused.${r.why}`, {
      who: pin.person === null ? '' : names.person(pin.person),
      time: clock(start + minute * 60_000),
    })
  }

  function way(problem: PlanProblem, w: WayOut): string {
    switch (w.kind) {
      case 'put-off':
        return t('plan.way.put-off', { what: runName(problem, w.run) })
      case 'stay':
        return t('plan.way.stay', { who: names.person(w.person), n: w.minutes })
      case 'person':
        return t('plan.way.person', { time: at(problem, w.until) })
      case 'down-sooner':
        return t('plan.way.down-sooner', { what: names.station(w.station) })
      case 'counter':
        return t('plan.way.counter', {
          what: problem.counters.find((c) => c.id === w.counter)?.name ?? w.counter,
        })
    }
  }

  return { runName, late, told, repair, change, gains, costs, where, refused, way, at }
}
