export * from './kinds.ts'
export * from './records.ts'
export { doneKey, incidentFold, type IncidentState } from './fold.ts'
export { waterDoubts, type Doubt } from './doubt.ts'
export { cleansBefore, stationsTouched, type Touchable } from './touched.ts'
export {
  aboutTask,
  decidedTask,
  foodTask,
  incidentList,
  stationsOut,
  type IncidentItem,
  type IncidentKnown,
} from './list.ts'
export { incidentKnown, planOnFile, type IncidentSite } from './known.ts'
export { isStopped, mayEnd, notYet, readyBack, type NotYet, type PlanOnFile } from './reopen.ts'
