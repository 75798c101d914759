import { runFold } from '../procedure/run.ts'
import { stationFold } from '../procedure/station.ts'
import { bathFold } from '../bath/fold.ts'
import { caseFold } from '../case/fold.ts'
import { planFold } from '../plan/records.ts'
import { procedureFold } from '../procedure/own-fold.ts'
import { loggerFold } from '../logger/records.ts'
import { dishFold } from '../warewash/dish.ts'
import { rerunFold } from '../rerun/container.ts'
import { foodFold } from '../food/food.ts'
import { roundFold } from '../round/round.ts'
import { stockFold } from '../stock/fold.ts'
import { pestFold, trapFold } from '../pest/fold.ts'
import { visitFold } from '../visit/fold.ts'
import { shelfFold } from '../shelf/fold.ts'
import { faultFold } from '../fault/fold.ts'
import { sampleFold } from '../lab/fold.ts'
import { taskFold } from '../task/task.ts'
import { incidentFold } from '../incident/fold.ts'
import { trainingFold } from '../training/fold.ts'
import type { Fold } from '../stream/fold.ts'
import type { SubjectKind } from '../stream/record.ts'
import { crewFold, instrumentFold, mixFold, productFold, siteFold, spareFold } from '../house/folds.ts'
import type { RuleSet } from '../house/records.ts'
import type { RosterSet } from '../house/roster.ts'
import { shiftFold } from './shift.ts'

const setFold = <S>(type: string): Fold<(S & { id: string }) | { id: string }> => ({
  initial: (id) => ({ id }),
  apply: (state, record) => (record.type === type ? { ...(record.payload as S), id: state.id } : state),
})

/** Counted up whenever a fold's state changes its shape: servers then fold their read tables anew. */
export const foldsVersion = 20

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
  mix: mixFold,
  rerun: rerunFold,
  training: trainingFold,
  incident: incidentFold,
  food: foodFold,
  round: roundFold,
  task: taskFold,
  stock: stockFold,
  pest: pestFold,
  trap: trapFold,
  visit: visitFold,
  shelf: shelfFold,
  fault: faultFold,
  sample: sampleFold,
} as const satisfies Record<SubjectKind, Fold<never> | object>

export const foldOf = (kind: SubjectKind): Fold<unknown> => folds[kind] as unknown as Fold<unknown>
