export * from './record.ts'
export * from './payloads.ts'
export * from './house.ts'
export * from './reading.ts'
export * from './case.ts'
export * from './shift.ts'
export * from './canonical.ts'
export * from './tablet-clock.ts'
export * from './subjects.ts'
export { concernsOf, isSameSubject, subjectsWithout } from './concerns.ts'
export * from './fold.ts'
export { asJudged, upcast, type Upcast } from './upcast.ts'
export { folds, foldOf, foldsVersion } from './states.ts'
export type { BathState, CaseState, PlanState, ShiftState } from './folds.ts'
export { judge, type Read } from './judge.ts'
export { flags, flagsOf, type Flag } from './flags.ts'
export * from './take-reading.ts'
export { amendReading, amendmentOf, numbersOf, takenBack } from './amend.ts'
export type {
  CrewState,
  InstrumentKept,
  InstrumentState,
  OwnProcedure,
  ProductKept,
  ProductState,
  SiteKept,
} from './kit-folds.ts'
export { whatIf, type Changed } from './what-if.ts'
export * from './in-force.ts'
export * from './way-back.ts'
export * from './heat-entry.ts'
export { judgeAnew, type JudgedAnew, type ReadingFlag, type ReadingKnown } from './judge-anew.ts'
export { washLabel } from './wash-label.ts'
export { madeFor } from './made-for.ts'
export { amendFault, mayBeAmended, mayBeTakenBack, takeBackMinutes, type Amending } from './amendable.ts'
export { basketWhole, type Basket } from './baskets.ts'
