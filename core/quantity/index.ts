export * from './units.ts'
export * from './convert.ts'
export * from './interval.ts'
export * from './show.ts'
