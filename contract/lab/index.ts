export { labPayloads } from './records.ts'
