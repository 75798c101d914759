export * from './roles.ts'
