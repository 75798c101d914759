import { coldReading } from '../cold/index.ts'
import { readingInCelsius } from '../quantity/index.ts'
import { correctedAt, type AnyRecord } from '../stream/record.ts'
import type { StationState } from './station-state.ts'

/** The temperature of what is inside, and of a sink's wash water, as read. */
export function withTemperature(
  state: StationState,
  record: AnyRecord & { type: 'reading.taken@1' },
): StationState {
  const { payload } = record
  if (payload.what === 'wash-water') {
    const read = payload.reading.temperature
    const celsius = (value: number | null) =>
      value === null ? null : readingInCelsius({ value, unit: read?.unit ?? '°C' })
    const between = read && { lo: celsius(read.reading.lo), hi: celsius(read.reading.hi) }
    const washWater = { at: correctedAt(record), celsius: between, verdict: payload.judgement.overall }
    return { ...state, washWater }
  }
  if (payload.what !== 'cold-product') return state
  const temperature = readingInCelsius(payload.reading)
  const next = { ...state, facets: { ...state.facets, temperature } }
  if (!payload.reading.store) return next
  const { unit, value } = payload.reading
  const last = { at: correctedAt(record), by: record.by, read: { unit, value }, record: record.id }
  return { ...next, cold: coldReading(state.cold, { ...last, verdict: payload.judgement.overall }) }
}
