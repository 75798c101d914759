import type { CrewSet } from '../../house/index.ts'
import { crewFold } from '../../house/index.ts'
import { latestProcedure, runFold, type OwnProcedure, type Procedure } from '../../procedure/index.ts'
import type { AnyRecord, Payloads, RecordType } from '../../stream/index.ts'
import { foldAll } from '../../stream/index.ts'
import { trainingFold, usualTraining, type TrainingOf } from '../../training/index.ts'
import { recordOf } from '../records.ts'

export const day = 24 * 60
const dateOf = (at: number) => new Date(at).toISOString().slice(0, 10)

/** A record by somebody, at so many minutes. */
export const by = <T extends RecordType>(
  who: string,
  at: number,
  type: T,
  kind: 'crew' | 'training' | 'run',
  id: string,
  payload: Payloads[T],
): AnyRecord => ({ ...recordOf(at, type, { kind, id }, payload), by: who })

export const crewSet = (who: string, at: number, id: string, set: Partial<CrewSet>): AnyRecord =>
  by(who, at, 'crew.set@1', 'crew', id, { signedOff: [], learning: [], serves: [], home: null, ...set })

/** How a person stands, of all their records. @param today minutes since 1970. */
export function personOf(
  id: string,
  records: readonly AnyRecord[],
  today: number,
  own: (id: string) => OwnProcedure | null = () => null,
): TrainingOf {
  const about = (kind: 'crew' | 'training') =>
    records.filter((r) =>
      r.subject.kind === kind ? r.subject.id === id : kind === 'training' && learnerOf(r) === id,
    )
  return {
    crew: foldAll(crewFold, { kind: 'crew', id }, about('crew')).state,
    training: foldAll(trainingFold, { kind: 'training', id }, about('training')).state,
    rule: usualTraining,
    day: dateOf(today * 60_000),
    dayOf: dateOf,
    own,
  }
}
const learnerOf = (r: AnyRecord) =>
  r.type === 'run.watched@1' || r.type === 'run.shown@1' ? r.payload.learner : null

export const close = latestProcedure('soft-serve-gravity.close') as Procedure
export const signed = (who: string, at: number, id: string, until: string | null, of: Procedure = close) =>
  by(who, at, 'training.signed@1', 'training', id, {
    procedures: [{ id: of.id, version: of.version }],
    until,
  })

/** A run at which each step was done by somebody. */
export const runBy = (people: readonly string[], status: 'running' | 'finished' = 'running') => ({
  ...runFold.initial('r'),
  status,
  startedBy: people[0] ?? '',
  lastBy: people.at(-1) ?? '',
  done: Object.fromEntries(people.map((who, i) => [`s${i}`, { at: i, by: who, facts: {} }])),
})
