export {
  daySheet,
  sheetTypes,
  workTypes,
  type DaySheet,
  type SheetKnown,
  type StationSheet,
} from './day-sheet.ts'
export type * from './lines.ts'
export { exceptionsOf, type Exceptions } from './exceptions.ts'
export { onlyOf, readingsOf, stationPeriods, type StationPeriod } from './period.ts'
export {
  aboutOf,
  aboutRefs,
  happenedTypes,
  hasHappened,
  photosOf,
  standsOf,
  type About,
  type Happened,
  type HappenedRecord,
} from './happened.ts'
