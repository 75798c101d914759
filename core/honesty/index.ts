export { atLeastOf, together } from './chance.ts'
export type * from './entry.ts'
export { enteredTypes, entriesOf, type LogOfDays } from './from-log.ts'
export { questionsOf } from './questions.ts'
