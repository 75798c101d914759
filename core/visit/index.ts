export * from './records.ts'
export { visitFold, visitsAhead, type VisitAhead, type VisitState } from './fold.ts'
