export { dueAhead, dueList, isDaily, type DueItem, type Risk } from './due.ts'
export { bathSpent, type Prediction } from './windows.ts'
export * from './day-left.ts'
export * from './demand.ts'
