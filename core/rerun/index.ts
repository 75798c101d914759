export * from './mix.ts'
export * from './container.ts'
export { mixFold, rerunRecords, type MixState } from './records.ts'
