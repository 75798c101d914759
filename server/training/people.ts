import { dateAfter, dayOf } from '@tadka/core/calendar'
import type { CrewState, RosterSet, SiteSet } from '@tadka/core/house'
import { procedureOn, type OwnProcedure, type Procedure, type RunState } from '@tadka/core/procedure'
import { instant } from '@tadka/core/quantity'
import {
  countsAsDone,
  countsAsShown,
  countsFrom,
  isOnShift,
  standingOf,
  trainingOf,
  usualTraining,
  type Shown,
  type Standing,
  type TrainingOf,
  type TrainingRule,
  type TrainingRun,
  type TrainingState,
} from '@tadka/core/training'
import type { Pool } from '../db/pool.ts'
import { siteOf } from '../record/day.ts'
import { stateOf, statesOfKind } from '../stream/queries.ts'
import { runsById } from './queries.ts'

/** What a site's trainings are worked out from, read once. */
export interface TrainingKnown {
  readonly site: SiteSet
  readonly rule: TrainingRule
  readonly day: string
  readonly own: (id: string) => OwnProcedure | null
  readonly person: (id: string) => TrainingOf
}

/** @param at milliseconds UTC. Throws `not_found` where the site has no hours yet. */
export async function trainingKnown(pool: Pool, where: string, at: number): Promise<TrainingKnown> {
  const site = await siteOf(pool, where)
  const kept = <S>(kind: 'crew' | 'training' | 'procedure') => statesOfKind(pool, where, kind) as Promise<S[]>
  const [crew, training, procedures] = await Promise.all([
    kept<CrewState>('crew'),
    kept<TrainingState>('training'),
    kept<OwnProcedure>('procedure'),
  ])
  const own = (id: string) => procedures.find((p) => p.id === id) ?? null
  const person = (id: string) =>
    trainingOf(
      site,
      at,
      crew.find((c) => c.id === id) ?? { id },
      training.find((t) => t.id === id) ?? null,
      own,
    )
  return { site, rule: site.training ?? usualTraining, day: dayOf(site, instant(at)), own, person }
}

/** The procedure as it is worked to that day; null where there is none. */
export const procedureToday = ({ day, own }: TrainingKnown, id: string): Procedure | null =>
  procedureOn(id, day, own)

/** Whether somebody is on the roster at an instant, milliseconds UTC. */
export async function onShiftAt(pool: Pool, where: string, known: TrainingKnown, person: string, at: number) {
  const days = [known.day, dateAfter(known.day, -1)]
  const rosters = await Promise.all(days.map((day) => stateOf(pool, where, 'roster', day)))
  const told = rosters.flatMap((r) => (r && 'shifts' in (r.state as object) ? [r.state as RosterSet] : []))
  return isOnShift(person, told, at, known.site.timeZone)
}

/** The runs of somebody's training that count towards their next sign-off. */
export async function countedRunsOf(
  pool: Pool,
  where: string,
  person: string,
  standings: readonly Standing[],
): Promise<ReadonlyMap<string, Shown>> {
  const named = standings.flatMap((s) => [...s.training.shown, ...s.training.watched].map((r) => r.run))
  const runs = new Map((await runsById(pool, where, named)).map((r) => [r.id, r]))
  const count = (
    list: readonly TrainingRun[],
    from: number,
    counts: (run: RunState, by: string) => boolean,
  ) =>
    list.filter((told) => {
      const run = runs.get(told.run)
      return told.at > from && run !== undefined && counts(run, told.by)
    }).length
  return new Map(
    standings.map((s) => {
      const from = countsFrom(s)
      return [
        s.procedure,
        {
          shown: count(s.training.shown, from, (run, by) => countsAsShown(run, by)),
          watched: count(s.training.watched, from, (run) => countsAsDone(run, person)),
        },
      ]
    }),
  )
}

/** How somebody stands with these procedures, those that are known. */
export const standingsOf = (
  known: TrainingKnown,
  person: string,
  procedures: readonly string[],
): Standing[] =>
  procedures.flatMap((id) => {
    const found = procedureToday(known, id)
    return found ? [standingOf(known.person(person), found)] : []
  })
