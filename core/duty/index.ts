export { dueList, type DueItem, type Risk } from './due.ts'
export * from './trading-day.ts'
export * from './tide.ts'
export { bathDue, bathHours, type BathDue } from './bath.ts'
