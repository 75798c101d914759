import { baseOf } from '../procedure/index.ts'
import type { Fold } from '../stream/fold.ts'
import { correctedAt, type AnyRecord } from '../stream/record.ts'
import type { CheckTaken, PaperSet, SignedFor, SignOffEnd } from './records.ts'

interface Told {
  /** Milliseconds UTC. */
  readonly at: number
  readonly by: string
}

/** A run that counts for somebody's training once it is finished. */
export interface TrainingRun extends Told {
  readonly run: string
}

/** What is on record of somebody and one procedure. */
export interface ProcedureTraining {
  /** Runs that they looked on at, and runs that they did under somebody's eyes. */
  readonly shown: readonly TrainingRun[]
  readonly watched: readonly TrainingRun[]
  /** The newest last; at most the last ten. */
  readonly checks: readonly (CheckTaken & { readonly at: number })[]
  readonly signed: (Told & { readonly version: SignedFor; readonly until: string | null }) | null
  /** Why the last sign-off holds no more; null while it does, or where there was none. */
  readonly ended: (Told & { readonly why: SignOffEnd; readonly note: string }) | null
}

export interface TrainingState {
  readonly id: string
  /** By the id of the library's procedure. */
  readonly of: Readonly<Record<string, ProcedureTraining>>
  readonly papers: readonly (PaperSet & Told)[]
}

export const untrained: ProcedureTraining = { shown: [], watched: [], checks: [], signed: null, ended: null }

const checksKept = 10

/** One run counts once, however often it is told. */
const withRun = (runs: readonly TrainingRun[], run: TrainingRun): readonly TrainingRun[] =>
  runs.some((r) => r.run === run.run) ? runs : [...runs, run]

/** What somebody has seen, done and shown, by procedure, and the papers that they hold. */
export const trainingFold: Fold<TrainingState> = {
  initial: (id) => ({ id, of: {}, papers: [] }),
  apply(state, record) {
    const told = { at: correctedAt(record), by: record.by }
    if (record.type === 'training.paper@1') {
      const others = state.papers.filter((p) => p.paper !== record.payload.paper)
      return {
        ...state,
        papers: record.payload.removed ? others : [...others, { ...record.payload, ...told }],
      }
    }
    if (record.type === 'training.signed@1') {
      // Nobody signs themselves off.
      if (record.by === state.id) return state
      const { procedures, until } = record.payload
      return procedures.reduce(
        (s, version) =>
          withProcedure(s, baseOf(version.id), (p) => ({
            ...p,
            signed: { ...told, version, until },
            ended: null,
          })),
        state,
      )
    }
    const procedure = procedureOf(record)
    return procedure === null ? state : withProcedure(state, procedure, (p) => taught(p, record, told))
  },
}

const procedureOf = (record: AnyRecord): string | null =>
  record.type === 'run.watched@1' ||
  record.type === 'run.shown@1' ||
  record.type === 'training.checked@1' ||
  record.type === 'training.ended@1'
    ? record.payload.procedure
    : null

const withProcedure = (
  state: TrainingState,
  procedure: string,
  change: (of: ProcedureTraining) => ProcedureTraining,
): TrainingState => ({
  ...state,
  of: { ...state.of, [procedure]: change(state.of[procedure] ?? untrained) },
})

function taught(p: ProcedureTraining, record: AnyRecord, told: Told): ProcedureTraining {
  switch (record.type) {
    case 'run.watched@1':
      // Who works is not who stands by.
      if (record.by === record.payload.learner) return p
      return { ...p, watched: withRun(p.watched, { run: record.payload.run, ...told }) }
    case 'run.shown@1':
      if (record.by === record.payload.learner) return p
      return { ...p, shown: withRun(p.shown, { run: record.payload.run, ...told }) }
    case 'training.checked@1':
      return { ...p, checks: [...p.checks, { ...record.payload, at: told.at }].slice(-checksKept) }
    case 'training.ended@1': {
      const { why, note } = record.payload
      return { ...p, ended: { ...told, why, note } }
    }
    default:
      return p
  }
}
