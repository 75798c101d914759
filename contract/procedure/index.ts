export { facets, procedureSchema } from './schemas.ts'
export { readProcedure, type ProcedureFault } from './read.ts'
export * from './bodies.ts'
