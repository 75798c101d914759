export * from './question.ts'
export { makers, fewestOfCheck, questionOf, questionsFor, questionsOfCheck } from './check.ts'
