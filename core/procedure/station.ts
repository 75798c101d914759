import type { StationSet } from '../record/house.ts'
import type { Fold } from '../record/fold.ts'
import { correctedAt, type AnyRecord } from '../record/record.ts'
import { unknownFacets, type Facets } from './facets.ts'

export interface LastRun {
  readonly run: string
  readonly finishedAt: number
  readonly by: string
}

/** A station: what it is, what state it is in, what runs on it, and when each procedure was last done. */
export interface StationState {
  readonly id: string
  readonly plate: StationSet | null
  readonly facets: Facets
  /** When it was last sanitized, milliseconds UTC. */
  readonly sanitizedAt: number | null
  readonly currentRun: { readonly run: string; readonly procedure: string; readonly startedAt: number } | null
  readonly lastRuns: Readonly<Record<string, LastRun>>
}

export const stationFold: Fold<StationState> = {
  initial: (id) => ({
    id,
    plate: null,
    facets: unknownFacets,
    sanitizedAt: null,
    currentRun: null,
    lastRuns: {},
  }),
  apply(state, record) {
    const at = correctedAt(record)
    switch (record.type) {
      case 'station.set@1':
        return { ...state, plate: record.payload }
      case 'run.started@1':
        return {
          ...state,
          currentRun: { run: record.payload.run, procedure: record.payload.procedure.id, startedAt: at },
        }
      case 'run.step.done@1':
      case 'run.wait.started@1':
        return changed(state, record.payload.effects, at)
      case 'run.step.undone@1':
        return changed(state, record.payload.restores, at)
      case 'reading.taken@1':
        return withTemperature(state, record)
      case 'run.abandoned@1':
        return { ...state, currentRun: null }
      case 'run.finished@1':
        return finished(state, record, at)
      default:
        return state
    }
  },
}

function changed(state: StationState, effects: Partial<Facets>, at: number): StationState {
  const sanitizedAt =
    effects.hygiene === undefined ? state.sanitizedAt : effects.hygiene === 'sanitized' ? at : null
  return { ...state, facets: { ...state.facets, ...effects }, sanitizedAt }
}

function withTemperature(state: StationState, record: AnyRecord & { type: 'reading.taken@1' }): StationState {
  if (record.payload.what !== 'cold-product') return state
  const { value, unit } = record.payload.reading
  const temperature = unit === '°C' ? value : ((value - 32) * 5) / 9
  return { ...state, facets: { ...state.facets, temperature } }
}

function finished(state: StationState, record: AnyRecord, at: number): StationState {
  const { currentRun } = state
  if (!currentRun) return state
  const last = { run: currentRun.run, finishedAt: at, by: record.by }
  return { ...state, currentRun: null, lastRuns: { ...state.lastRuns, [currentRun.procedure]: last } }
}
