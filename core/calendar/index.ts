export * from './trading-day.ts'
