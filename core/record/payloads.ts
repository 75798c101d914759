import type { CaseAction, CaseClosed } from './case.ts'
import type {
  ConcentrateDrawn,
  ConcentrateOpened,
  CrewSet,
  HardnessMeasured,
  InstrumentChecked,
  InstrumentSet,
  ProcedureSet,
  ProductSet,
  RosterSet,
  RuleSet,
  SiteSet,
  SpareDrawn,
  SpareSet,
  StationSet,
} from './house.ts'
import type { BathMixed, PhotoAttached, ReadingTaken, WareIn, WareOut } from './reading.ts'
import type { ShiftSigned } from './shift.ts'
import type * as work from '../procedure/records.ts'
import type { PlanSet } from '../plan/problem.ts'
import type {
  CycleJudged,
  DishReturned,
  DishSetAside,
  RacksTallied,
  WaterChanged,
} from '../warewash/records.ts'
import type { PersonSet, SecretSet, TabletSet } from '../people/records.ts'
import type { LoggerImported, LoggerWithdrawn } from '../logger/records.ts'
import type { SubjectRef } from './record.ts'

/** A mistake put right by a new record that points at the old; both are shown. */
export interface RecordAmended {
  /** The id of the record that was wrong. */
  readonly target: string
  readonly targetType: string
  /** What the target is about, so that those states are folded anew. */
  readonly subjects: readonly SubjectRef[]
  /** The payload as it should have been. */
  readonly instead: unknown
  readonly reason: string
}

/** Every kind of record with its payload, by `type@version`. */
export interface Payloads {
  'site.set@1': SiteSet
  'station.set@1': StationSet
  'product.set@1': ProductSet
  'instrument.set@1': InstrumentSet
  'concentrate.opened@1': ConcentrateOpened
  'water.measured@1': HardnessMeasured
  'concentrate.drawn@1': ConcentrateDrawn
  'instrument.checked@1': InstrumentChecked
  'rule.set@1': RuleSet
  'procedure.set@1': ProcedureSet
  'spare.set@1': SpareSet
  'spare.drawn@1': SpareDrawn
  'roster.set@1': RosterSet
  'crew.set@1': CrewSet
  'person.set@1': PersonSet
  'person.secret@1': SecretSet
  'tablet.set@1': TabletSet
  'plan.set@1': PlanSet
  'run.started@1': work.RunStartedV1
  'run.started@2': work.RunStarted
  'run.step.done@1': work.StepDoneV1
  'run.step.done@2': work.StepDone
  'run.step.undone@1': work.StepUndoneV1
  'run.step.undone@2': work.StepUndone
  'run.wait.started@1': work.WaitStartedV1
  'run.wait.started@2': work.WaitStarted
  'run.visit.made@1': work.VisitMade
  'run.overridden@1': work.RunOverridden
  'run.part.missing@1': work.PartMissing
  'run.part.found@1': work.PartFound
  'run.part.lost@1': work.PartLost
  'run.parked@1': work.RunPlain
  'run.resumed@1': work.RunPlain
  'run.abandoned@1': work.RunAbandoned
  'run.finished@1': work.RunFinished
  'run.entered@1': work.RunEntered
  'follow-up.closed@1': work.FollowUpClosed
  'count.read@1': work.CountRead
  'sign.seen@1': work.SignSeen
  'station.laid-up@1': work.LaidUp
  'station.back@1': work.StationBack
  'station.stopped@1': work.StationStopped
  'station.returned@1': work.StationReturned
  'station.observed@1': work.StationObserved
  'station.made-safe@1': work.MadeSafe
  'duty.closed@1': work.DutyClosed
  'bath.mixed@1': BathMixed
  'ware.in@1': WareIn
  'ware.out@1': WareOut
  'reading.taken@1': ReadingTaken
  'photo.attached@1': PhotoAttached
  'case.action@1': CaseAction
  'case.closed@1': CaseClosed
  'record.amended@1': RecordAmended
  'shift.signed@1': ShiftSigned
  'cycle.judged@1': CycleJudged
  'rack.tallied@1': RacksTallied
  'dish.water-changed@1': WaterChanged
  'dish.set-aside@1': DishSetAside
  'dish.returned@1': DishReturned
  'logger.imported@1': LoggerImported
  'logger.withdrawn@1': LoggerWithdrawn
}

export type RecordType = keyof Payloads

/** Record types that only the server may make, after checking the person's own PIN. */
export const signedTypes: ReadonlySet<string> = new Set<RecordType>([
  'shift.signed@1',
  'run.overridden@1',
  'run.entered@1',
])

/** Record types that the server makes from what devices stream and from the files of loggers. */
export const deviceTypes: ReadonlySet<string> = new Set<RecordType>([
  'cycle.judged@1',
  'concentrate.drawn@1',
  'logger.imported@1',
  'logger.withdrawn@1',
])

/** Record types by which people and tablets get rights: the server makes them, where it has checked who asks. */
export const rightsTypes: ReadonlySet<string> = new Set<RecordType>([
  'person.set@1',
  'person.secret@1',
  'tablet.set@1',
])
