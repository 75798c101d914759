import { runFold } from '../procedure/run.ts'
import { stationFold } from '../procedure/station.ts'
import { bathFold, caseFold, planFold, shiftFold } from './folds.ts'
import { loggerFold } from '../logger/records.ts'
import { dishFold } from '../warewash/dish.ts'
import type { Fold } from './fold.ts'
import type { SubjectKind } from './record.ts'
import { crewFold, instrumentFold, procedureFold, productFold, siteFold, spareFold } from './kit-folds.ts'
import type { RosterSet, RuleSet } from './house.ts'

const setFold = <S>(type: string): Fold<(S & { id: string }) | { id: string }> => ({
  initial: (id) => ({ id }),
  apply: (state, record) => (record.type === type ? { ...(record.payload as S), id: state.id } : state),
})

/** Counted up whenever a fold's state changes its shape: servers then fold their read tables anew. */
export const foldsVersion = 8

/** The state of each kind of subject, folded from its records by the same code on the server and in the browser. */
export const folds = {
  site: siteFold,
  station: stationFold,
  run: runFold,
  bath: bathFold,
  case: caseFold,
  product: productFold,
  instrument: instrumentFold,
  rule: setFold<RuleSet>('rule.set@1'),
  procedure: procedureFold,
  spare: spareFold,
  shift: shiftFold,
  roster: setFold<RosterSet>('roster.set@1'),
  crew: crewFold,
  plan: planFold,
  dish: dishFold,
  logger: loggerFold,
} as const satisfies Record<SubjectKind, Fold<never> | object>

export const foldOf = (kind: SubjectKind): Fold<unknown> => folds[kind] as unknown as Fold<unknown>
