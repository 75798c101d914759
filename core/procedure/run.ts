import type { Verdict } from '../rules/index.ts'
import type { Fold } from '../record/fold.ts'
import { correctedAt, type AnyRecord } from '../record/record.ts'
import type { Facets } from './facets.ts'
import type { Procedure } from './language.ts'
import { findProcedure } from './library/index.ts'
import type { Facts } from './records.ts'

export interface DoneStep {
  readonly at: number
  readonly by: string
  readonly facts: Facts
  readonly before: Partial<Facets>
}

export interface RunningWait {
  readonly startedAt: number
  readonly minutes: number
  readonly before: Partial<Facets>
}

export interface StepReading {
  readonly record: string
  readonly at: number
  readonly verdict: Verdict
  readonly case: string | null
}

export type RunStatus = 'not-started' | 'running' | 'parked' | 'finished' | 'abandoned'

/** One run of a procedure on a station: what is done, what waits, what was read. */
export interface RunState {
  readonly id: string
  readonly status: RunStatus
  readonly station: string
  readonly procedure: { readonly id: string; readonly version: number }
  readonly parameters: Readonly<Record<string, number>>
  readonly options: Readonly<Record<string, string>>
  /** The site's own procedure that it is worked to; null for one of the library. */
  readonly document: Procedure | null
  readonly startedAt: number
  readonly startedBy: string
  readonly endedAt: number | null
  readonly reason: string
  /** By step key. */
  readonly done: Readonly<Record<string, DoneStep>>
  readonly waits: Readonly<Record<string, RunningWait>>
  /** Visits of tended waits: instants by step key. */
  readonly visits: Readonly<Record<string, readonly number[]>>
  readonly readings: Readonly<Record<string, readonly StepReading[]>>
  /** Who acted last in it. */
  readonly lastBy: string
}

const without = <V>(map: Readonly<Record<string, V>>, key: string): Record<string, V> =>
  Object.fromEntries(Object.entries(map).filter(([k]) => k !== key))

export const runFold: Fold<RunState> = {
  initial: (id) => ({
    id,
    status: 'not-started',
    station: '',
    procedure: { id: '', version: 0 },
    parameters: {},
    options: {},
    document: null,
    startedAt: 0,
    startedBy: '',
    endedAt: null,
    reason: '',
    done: {},
    waits: {},
    visits: {},
    readings: {},
    lastBy: '',
  }),
  apply: (state, record) => ({ ...applyTo(state, record), lastBy: record.by }),
}

function applyTo(state: RunState, record: AnyRecord): RunState {
  const at = correctedAt(record)
  switch (record.type) {
    case 'run.started@1': {
      const { station, procedure, parameters, options = {}, document = null } = record.payload
      return {
        ...state,
        status: 'running',
        station,
        procedure,
        parameters,
        options,
        document,
        startedAt: at,
        startedBy: record.by,
      }
    }
    case 'run.step.done@1': {
      const { step, facts, before } = record.payload
      return { ...state, done: { ...state.done, [step]: { at, by: record.by, facts, before } } }
    }
    case 'run.step.undone@1': {
      const { step } = record.payload
      return { ...state, done: without(state.done, step), waits: without(state.waits, step) }
    }
    case 'run.wait.started@1': {
      const { step, minutes, before } = record.payload
      return { ...state, waits: { ...state.waits, [step]: { startedAt: at, minutes, before } } }
    }
    case 'run.visit.made@1': {
      const { step } = record.payload
      return { ...state, visits: { ...state.visits, [step]: [...(state.visits[step] ?? []), at] } }
    }
    case 'reading.taken@1':
      return withReading(state, record, at)
    case 'run.parked@1':
      return state.status === 'running' ? { ...state, status: 'parked' } : state
    case 'run.resumed@1':
      return state.status === 'parked' ? { ...state, status: 'running' } : state
    case 'run.abandoned@1':
      return { ...state, status: 'abandoned', endedAt: at, reason: record.payload.reason }
    case 'run.finished@1':
      return { ...state, status: 'finished', endedAt: at }
    default:
      return state
  }
}

/** A check step is done by a reading that is in; one that is not leaves it open for the recheck. */
function withReading(state: RunState, record: AnyRecord & { type: 'reading.taken@1' }, at: number): RunState {
  const { step, judgement, case: recheckOf } = record.payload
  if (step === null) return state
  const verdict = judgement.overall
  const opened = recheckOf ?? (verdict === 'in' ? null : record.id)
  const readings = [...(state.readings[step] ?? []), { record: record.id, at, verdict, case: opened }]
  const next = { ...state, readings: { ...state.readings, [step]: readings } }
  if (verdict !== 'in') return { ...next, done: without(state.done, step) }
  // What it read at first: a branch may open on it.
  const outcome = readings[0]?.verdict ?? verdict
  return { ...next, done: { ...state.done, [step]: { at, by: record.by, facts: { outcome }, before: {} } } }
}

/** The procedure that a run is worked to, at the version it was begun with; null where it is not known here. */
export const procedureOfRun = (
  run: Pick<RunState, 'procedure'> & Partial<Pick<RunState, 'document'>>,
): Procedure | null => run.document ?? findProcedure(run.procedure.id, run.procedure.version)
