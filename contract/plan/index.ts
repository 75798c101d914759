export { plan, planProblem } from './schemas.ts'
