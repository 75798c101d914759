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
  /** What inspections found and nobody has dealt with yet. */
  readonly followUps: readonly FollowUp[]
}

/** Something that an inspection asks for: a seal replaced, a bearing regreased, a technician called. */
export interface FollowUp {
  readonly run: string
  readonly step: string
  readonly choice: string
  readonly outcome: 'regrease' | 'replace' | 'technician'
  readonly at: number
  readonly by: string
}

export const stationFold: Fold<StationState> = {
  initial: (id) => ({
    id,
    plate: null,
    facets: unknownFacets,
    sanitizedAt: null,
    currentRun: null,
    lastRuns: {},
    followUps: [],
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
        return followed(changed(state, record.payload.effects, at), record, at)
      case 'run.wait.started@1':
        return changed(state, record.payload.effects, at)
      case 'run.step.undone@1': {
        const { run, step, restores } = record.payload
        return changed(without(state, run, step), restores, at)
      }
      case 'follow-up.closed@1':
        return without(state, record.payload.run, record.payload.step)
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

const without = (state: StationState, run: string, step: string): StationState => ({
  ...state,
  followUps: state.followUps.filter((f) => f.run !== run || f.step !== step),
})

function followed(
  state: StationState,
  record: AnyRecord & { type: 'run.step.done@1' },
  at: number,
): StationState {
  const { run, step, facts } = record.payload
  const { outcome, choice } = facts
  if (outcome !== 'regrease' && outcome !== 'replace' && outcome !== 'technician') return state
  const found: FollowUp = { run, step, choice: String(choice ?? ''), outcome, at, by: record.by }
  return { ...state, followUps: [...without(state, run, step).followUps, found] }
}
