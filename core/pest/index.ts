export * from './records.ts'
export { pestFold, trapFold, type PestState, type TrapState } from './fold.ts'
export { likelyPlaces } from './likely.ts'
export { pestTrend, type AreaTrend } from './trend.ts'
