export * from './costs.ts'
