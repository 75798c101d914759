export * from './question.ts'
export { makers, fewestOfCheck, questionsFor, questionsOfCheck } from './check.ts'
