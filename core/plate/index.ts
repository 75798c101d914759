export * from './numbers.ts'
export * from './typed.ts'
