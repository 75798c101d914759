export { atLeastOf, together } from './chance.ts'
export type * from './entry.ts'
export { questionsOf } from './questions.ts'
