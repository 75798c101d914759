export * from './change.ts'
export * from './records.ts'
export * from './secrets.ts'
