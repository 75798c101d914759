export * from './countries.ts'
export * from './slug.ts'
