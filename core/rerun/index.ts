export * from './container.ts'
export { rerunRecords } from './records.ts'
