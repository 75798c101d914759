export * from './schemas.ts'
