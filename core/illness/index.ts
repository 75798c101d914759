export * from './illness.ts'
