import type { CrewSet } from '../house/index.ts'
import type { TrainingState } from './fold.ts'
import type { Procedure } from '../procedure/index.ts'
import { standingOf, type TrainingOf } from './standing.ts'

/** What a shift is planned by: what somebody may do alone and what with somebody by, procedure by procedure, as they stand that day. */
export function crewForPlan(of: TrainingOf, procedures: readonly Procedure[]): CrewSet {
  const may = procedures.map((p) => ({ id: p.id, may: standingOf(of, p).may }))
  const those = (how: 'alone' | 'with-somebody') => may.filter((m) => m.may === how).map((m) => m.id)
  const { serves = [], home = null, keys } = 'serves' in of.crew ? of.crew : {}
  return {
    signedOff: those('alone'),
    learning: those('with-somebody'),
    ...{ serves, home },
    ...(keys === undefined ? {} : { keys }),
  }
}

/** What somebody may be put on at all: what a manager stated, what they learn, and whatever they are on record for. */
export const knowsOf = (
  crew: Partial<CrewSet> | null,
  training: TrainingState | null,
): Pick<CrewSet, 'signedOff' | 'learning'> => ({
  signedOff: crew?.signedOff ?? [],
  learning: [...(crew?.learning ?? []), ...Object.keys(training?.of ?? {})],
})
