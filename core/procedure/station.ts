import { readingInCelsius } from '../quantity/index.ts'
import type { Counted, StationSet } from '../record/house.ts'
import type { Fold } from '../record/fold.ts'
import { correctedAt, type AnyRecord } from '../record/record.ts'
import type { Verdict } from '../rules/index.ts'
import { unknownFacets, type Facets } from './facets.ts'

export interface LastRun {
  readonly run: string
  readonly finishedAt: number
  readonly by: string
  /** The counters as they stood then. */
  readonly counts?: Readonly<Partial<Record<Counted, number>>>
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
  /** Counters as last read. */
  readonly counts: Readonly<Partial<Record<Counted, { readonly total: number; readonly at: number }>>>
  /** Signs seen and not yet dealt with by the procedure that answers them. */
  readonly signs: readonly { readonly sign: string; readonly at: number; readonly by: string }[]
  /** The wash water of a sink as last read, °C: from and to, and the verdict; null where it was never read. */
  readonly washWater: {
    readonly at: number
    readonly celsius: { readonly lo: number | null; readonly hi: number | null } | null
    readonly verdict: Verdict
  } | null
  /** Since when it is laid up; null while it is in service. */
  readonly laidUp: { readonly since: number; readonly reason: string } | null
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
    counts: {},
    signs: [],
    washWater: null,
    laidUp: null,
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
      case 'count.read@1': {
        const { of, total } = record.payload
        return { ...state, counts: { ...state.counts, [of]: { total, at } } }
      }
      case 'sign.seen@1': {
        const seen = { sign: record.payload.sign, at, by: record.by }
        return { ...state, signs: [...state.signs.filter((s) => s.sign !== seen.sign), seen] }
      }
      case 'station.laid-up@1':
        return { ...state, laidUp: { since: at, reason: record.payload.reason } }
      case 'station.back@1':
        // It stood: whatever it was, it is sanitized before use.
        return { ...changed(state, { hygiene: 'unknown' }, at), laidUp: null }
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
  return { ...state, facets: { ...state.facets, temperature } }
}

function finished(state: StationState, record: AnyRecord, at: number): StationState {
  const { currentRun } = state
  if (!currentRun) return state
  const counts = Object.fromEntries(Object.entries(state.counts).map(([of, c]) => [of, c.total]))
  const last = { run: currentRun.run, finishedAt: at, by: record.by, counts }
  const { procedure } = currentRun
  const answered = (state.plate?.duties ?? []).flatMap((d) =>
    d.procedure === procedure && d.trigger.kind === 'sign' ? [d.trigger.sign] : [],
  )
  return {
    ...state,
    currentRun: null,
    lastRuns: { ...state.lastRuns, [procedure]: last },
    signs: state.signs.filter((s) => !answered.includes(s.sign)),
  }
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
