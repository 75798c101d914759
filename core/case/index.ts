export * from './records.ts'
export { caseKindOf, caseKinds, type CaseKind } from './kind.ts'
export { caseFold, foodTold, type CaseState } from './fold.ts'
