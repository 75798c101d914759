export { interval, labelUse, sanitizerReading, temperatureUnit } from './schemas.ts'
