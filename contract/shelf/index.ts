export { shelfPayloads } from './records.ts'
