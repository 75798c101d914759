export * from './records.ts'
export { faultFold, openFaults, type FaultOpen, type FaultState } from './fold.ts'
export { hoursDown, type Down } from './down.ts'
export { warrantyOn } from './warranty.ts'
