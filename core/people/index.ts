export * from './change.ts'
export * from './records.ts'
export * from './roles.ts'
export * from './secrets.ts'
