export { faultPayloads } from './records.ts'
