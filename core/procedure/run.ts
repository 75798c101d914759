import type { Fold } from '../stream/fold.ts'
import { correctedAt, type AnyRecord } from '../stream/record.ts'
import { isComplete } from './outline.ts'
import { procedureOfRun, tickOf, withoutKey, withoutTold, type HelpCall, type RunState } from './run-state.ts'
import { stepTaken } from './step-taken.ts'

export const runFold: Fold<RunState> = {
  initial: (id) => ({
    id,
    status: 'not-started',
    station: '',
    procedure: { id: '', version: 0 },
    parameters: {},
    options: {},
    document: null,
    judged: false,
    entered: false,
    startedAt: 0,
    startedBy: '',
    endedAt: null,
    reason: '',
    done: {},
    waits: {},
    cut: {},
    visits: {},
    readings: {},
    stop: null,
    finishSaid: false,
    startOverridden: null,
    lastBy: '',
  }),
  apply(state, record) {
    // Who stands by or looks on does not work in it.
    const told = { by: record.by, at: correctedAt(record) }
    if (record.type === 'run.watched@1')
      return { ...state, watched: [...(state.watched ?? []), { learner: record.payload.learner, ...told }] }
    if (record.type === 'run.shown@1')
      return { ...state, shown: [...(state.shown ?? []), { learner: record.payload.learner, ...told }] }
    if (record.type === 'run.help.called@1') {
      const call = { id: record.id, step: record.payload.step, ...told, answered: null }
      return { ...state, help: [...(state.help ?? []), call] }
    }
    if (record.type === 'run.help.answered@1') {
      // The first who comes has answered it.
      const answer = (c: HelpCall): HelpCall =>
        c.id === record.payload.call && c.answered === null ? { ...c, answered: told } : c
      return { ...state, help: (state.help ?? []).map(answer) }
    }
    return { ...whole(applyTo(state, record), record), lastBy: record.by }
  },
}

function applyTo(state: RunState, record: AnyRecord): RunState {
  const at = correctedAt(record)
  switch (record.type) {
    case 'run.started@1':
    case 'run.started@2':
      // One run starts once: what comes again under its name changes nothing.
      return state.status === 'not-started' ? started(state, record, at) : state
    case 'run.entered@1': {
      const { station, procedure, from, to, who } = record.payload
      const told = { startedAt: from, endedAt: to, startedBy: who, entered: true, judged: true }
      return { ...state, ...told, status: 'finished', station, procedure }
    }
    case 'run.step.done@1': {
      const { step, facts } = record.payload
      return { ...state, done: { ...state.done, [step]: { at, by: record.by, facts } } }
    }
    case 'run.step.undone@1':
    case 'run.step.undone@2': {
      const { step } = record.payload
      const parameters = withoutTold(state.parameters, state.done[step]?.told)
      const kept = { done: withoutKey(state.done, step), waits: withoutKey(state.waits, step), parameters }
      return { ...state, ...kept, cut: withoutKey(state.cut, step) }
    }
    case 'run.wait.started@1': {
      const { step, minutes } = record.payload
      const tick = tickOf(record, null)
      return { ...state, waits: { ...state.waits, [step]: { startedAt: at, minutes, tick } } }
    }
    case 'run.step.done@2':
    case 'run.wait.started@2':
    case 'run.overridden@1':
    case 'run.part.missing@1':
    case 'run.part.found@1':
    case 'run.part.lost@1':
      return stepTaken(state, record)
    case 'run.visit.made@1': {
      const { step, millilitres = 0 } = record.payload
      const used = state.used?.[step] ?? 0
      return {
        ...state,
        ...(millilitres > 0 ? { used: { ...state.used, [step]: used + millilitres } } : {}),
        visits: { ...state.visits, [step]: [...(state.visits[step] ?? []), at] },
      }
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
      return finished(state, at)
    default:
      return state
  }
}

function started(
  state: RunState,
  record: AnyRecord & { type: 'run.started@1' | 'run.started@2' },
  at: number,
): RunState {
  const { station, procedure } = record.payload
  const begun = { station, procedure, startedAt: at, startedBy: record.by, status: 'running' as const }
  if (record.type === 'run.started@1') {
    const { parameters, options = {}, document = null } = record.payload
    return { ...state, ...begun, parameters, options, document }
  }
  const { parameters = {}, options = {}, document = null } = record.inForce ?? {}
  const learner = record.flags.includes('not-signed-off') ? { learner: record.by } : {}
  return { ...state, ...begun, ...learner, parameters, options, document, judged: true }
}

/** What was said to be finished a moment early is finished by what was left of it. */
function whole(state: RunState, record: AnyRecord): RunState {
  if (!state.finishSaid || state.status !== 'running' || record.type === 'run.finished@1') return state
  const procedure = procedureOfRun(state)
  return procedure && isComplete(procedure, state)
    ? { ...state, status: 'finished', endedAt: correctedAt(record) }
    : state
}

/** A run is finished when nothing of it is left to do; a record that says so earlier does not make it so. */
function finished(state: RunState, at: number): RunState {
  if (state.status === 'not-started') return state
  const procedure = procedureOfRun(state)
  if (state.judged && (!procedure || !isComplete(procedure, state))) return { ...state, finishSaid: true }
  return { ...state, status: 'finished', endedAt: at }
}

/** A check step is done by a reading that is in; one that is not leaves it open for the recheck. */
function withReading(state: RunState, record: AnyRecord & { type: 'reading.taken@1' }, at: number): RunState {
  const { step, judgement, case: recheckOf } = record.payload
  if (step === null) return state
  const verdict = judgement.overall
  const opened = recheckOf ?? (verdict === 'in' ? null : record.id)
  const readings = [...(state.readings[step] ?? []), { record: record.id, at, verdict, case: opened }]
  const next = { ...state, readings: { ...state.readings, [step]: readings } }
  if (verdict !== 'in') return { ...next, done: withoutKey(state.done, step) }
  // What it read at first: a branch may open on it.
  const outcome = readings[0]?.verdict ?? verdict
  const label = record.inForce?.label
  const entry = { at, by: record.by, facts: { outcome }, ...(label ? { label } : {}) }
  return { ...next, done: { ...state.done, [step]: entry } }
}
