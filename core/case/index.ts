export * from './records.ts'
export { caseFold, type CaseState } from './fold.ts'
