import type { AnyRecord } from '../stream/record.ts'
import type { Procedure, Step } from './language.ts'
import type { Position } from './frame.ts'
import { readVerdict } from './read-off.ts'
import { countsTold, isWholeCount } from './counts.ts'
import { walk } from './outline.ts'
import type { RecipeRange } from '../house/mix.ts'
import type { Facts, StepDone } from './payloads.ts'
import { procedureOfRun, tickOf, withoutKey, type DoneStep, type RunState, type Short } from './run-state.ts'
import {
  isCoolEnough,
  mayOverride,
  mustLast,
  provenMs,
  waitKindOf,
  waitMinutes,
  type Tick,
  type Timed,
} from './waiting.ts'

/** What a record about a step comes to, by the procedure, whatever it says of itself. */
export interface Taken {
  /** Where it stands in the run; null where the run has no such step. */
  readonly position: Position | null
  /** Whether it was its turn. */
  readonly inTurn: boolean
  /** Whether the step is done by it. */
  readonly counts: boolean
  /** What is known of it then, with what the procedure says of the choice made. */
  readonly facts: Facts
  /** Of a wait that ended before its time. */
  readonly short: Short | null
}

const nothing: Taken = { position: null, inTurn: false, counts: false, facts: {}, short: null }

/** Milliseconds that a wait has lasted and must last, by the clocks of its beginning and `end`. Throws `parameter_missing`. */
export function waited(run: RunState, step: Timed, key: string, end: Tick): Short {
  const wait = run.waits[key]
  const minutes = wait?.minutes ?? waitMinutes(step, run)
  return { ms: wait ? provenMs(wait.tick, end) : 0, leastMs: minutes * 60_000 }
}

/**
 * Judges a step marked done: whether it was its turn, lasted as long as it must, was counted whole. @param recipe that a number is held
 * against, where the step goes by the recipe of the mix in the machine.
 */
export function judgeStep(
  procedure: Procedure,
  run: RunState,
  payload: Pick<StepDone, 'step' | 'facts'>,
  tick: Tick,
  recipe: RecipeRange | null = null,
): Taken {
  const { positions, open } = walk(procedure, run)
  const position = positions.find((p) => p.key === payload.step) ?? null
  if (!position) return nothing
  const inTurn = open.some((p) => p.key === payload.step)
  const judged = { position, inTurn, facts: payload.facts, short: null }
  if (position.kind === 'sign')
    return { ...judged, counts: inTurn && typeof payload.facts['shown'] === 'boolean' }
  const { step } = position
  if (step.kind === 'wait' || step.kind === 'tend') {
    const lasted = waited(run, step, payload.step, tick)
    // A thermometer may say that it is cool before its time is over.
    const { celsius } = payload.facts
    const cooled = waitKindOf(step) === 'cool' && typeof celsius === 'number' && isCoolEnough(celsius)
    const short = lasted.ms < lasted.leastMs && !cooled ? lasted : null
    return { ...judged, short, counts: inTurn && (short === null || !mustLast(step)) }
  }
  const facts = factsOf(step, payload.facts, run.parameters, recipe)
  return { ...judged, facts: facts ?? payload.facts, counts: inTurn && facts !== null }
}

/** The facts of a step as far as they hold, or null where they do not do it: a count that is short, a choice that is none. */
function factsOf(
  step: Step,
  facts: Facts,
  parameters: Readonly<Record<string, number>>,
  recipe: RecipeRange | null,
): Facts | null {
  if (step.kind === 'parts') return isWholeCount(step, facts) ? facts : null
  if (step.kind === 'check') return null
  if (step.kind === 'read') {
    const { read } = facts
    if (typeof read !== 'number') return null
    const outcome = readVerdict(step, read, parameters, recipe)
    return outcome === null ? facts : { ...facts, outcome }
  }
  if (step.kind !== 'inspect') return facts
  const choice = step.choices.find((c) => c.id === facts['choice'])
  return choice ? { ...facts, choice: choice.id, outcome: choice.outcome } : null
}

type StepRecord = AnyRecord & {
  type:
    | 'run.step.done@2'
    | 'run.wait.started@2'
    | 'run.overridden@1'
    | 'run.part.missing@1'
    | 'run.part.found@1'
    | 'run.part.lost@1'
}

const goesOn = (run: RunState): boolean => run.status === 'running' || run.status === 'parked'

/** The run after a record about one of its steps. */
export function stepTaken(state: RunState, record: StepRecord): RunState {
  const procedure = procedureOfRun(state)
  if (record.type === 'run.part.found@1' || record.type === 'run.part.lost@1') return searched(state, record)
  if (!procedure || !goesOn(state)) return state
  switch (record.type) {
    case 'run.step.done@2':
      return done(procedure, state, record)
    case 'run.wait.started@2':
      return waitBegun(procedure, state, record)
    case 'run.overridden@1':
      return overridden(procedure, state, record)
    case 'run.part.missing@1': {
      const { step, part } = record.payload
      const known = walk(procedure, state).positions.find((p) => p.key === step)
      if (known?.kind !== 'step' || known.step.kind !== 'parts') return state
      const stop = { why: 'part-missing' as const, step, what: part }
      return { ...state, status: 'stopped', stop: { ...stop, at: atOf(record), by: record.by } }
    }
  }
}

const atOf = (record: AnyRecord): number => tickOf(record, null).at

function done(
  procedure: Procedure,
  state: RunState,
  record: StepRecord & { type: 'run.step.done@2' },
): RunState {
  const { step, boot = null } = record.payload
  const tick = tickOf(record, boot)
  const taken = judgeStep(procedure, state, record.payload, tick, record.inForce?.recipe)
  if (!taken.counts) {
    // Ended early, it has not happened: its timer stands still until it is begun anew.
    if (!taken.inTurn || taken.short === null || !state.waits[step]) return state
    return { ...state, waits: withoutKey(state.waits, step), cut: { ...state.cut, [step]: taken.short } }
  }
  const label = record.inForce?.label
  const told = taken.position?.kind === 'step' ? countsTold(taken.position.step, taken.facts) : {}
  const entry: DoneStep = {
    at: tick.at,
    by: record.by,
    facts: taken.facts,
    ...(label ? { label } : {}),
    ...(taken.short ? { short: taken.short } : {}),
    ...(Object.keys(told).length > 0 ? { told } : {}),
  }
  const next = withTold(
    { ...state, done: { ...state.done, [step]: entry }, cut: withoutKey(state.cut, step) },
    told,
  )
  if (taken.facts['outcome'] !== 'technician') return next
  const stop = { why: 'technician' as const, step, what: String(taken.facts['choice'] ?? '') }
  return { ...next, status: 'stopped', endedAt: tick.at, stop: { ...stop, at: tick.at, by: record.by } }
}

const withTold = (state: RunState, told: Readonly<Record<string, number>>): RunState =>
  Object.keys(told).length > 0 ? { ...state, parameters: { ...state.parameters, ...told } } : state

function waitBegun(
  procedure: Procedure,
  state: RunState,
  record: StepRecord & { type: 'run.wait.started@2' },
): RunState {
  const { step, boot = null } = record.payload
  const position = walk(procedure, state).open.find((p) => p.key === step)
  if (position?.kind !== 'step' || (position.step.kind !== 'wait' && position.step.kind !== 'tend'))
    return state
  const tick = tickOf(record, boot)
  const wait = { startedAt: tick.at, minutes: waitMinutes(position.step, state), tick }
  return { ...state, waits: { ...state.waits, [step]: wait }, cut: withoutKey(state.cut, step) }
}

/** A shift lead goes on after a wait that was too short: the step is behind them, what it should have done is not. */
function overridden(
  procedure: Procedure,
  state: RunState,
  record: StepRecord & { type: 'run.overridden@1' },
): RunState {
  const { step, what, reason } = record.payload
  const by = { by: record.by, reason }
  if (what === 'start') return { ...state, startOverridden: by }
  const position = walk(procedure, state).open.find((p) => p.key === step)
  if (position?.kind !== 'step') return state
  const timed = position.step
  if ((timed.kind !== 'wait' && timed.kind !== 'tend') || !mayOverride(timed)) return state
  const short = state.cut[step] ?? waited(state, timed, step, tickOf(record, null))
  const entry: DoneStep = { at: atOf(record), by: record.by, facts: {}, short, overridden: by }
  return {
    ...state,
    done: { ...state.done, [step]: entry },
    waits: withoutKey(state.waits, step),
    cut: withoutKey(state.cut, step),
  }
}

/** A piece that is found lets the run go on from the count; one that is not ends it. */
function searched(
  state: RunState,
  record: StepRecord & { type: 'run.part.found@1' | 'run.part.lost@1' },
): RunState {
  const { stop } = state
  if (stop?.why !== 'part-missing' || stop.what !== record.payload.part || stop.lost !== undefined)
    return state
  if (record.type === 'run.part.found@1') return { ...state, status: 'running', stop: null }
  return { ...state, endedAt: atOf(record), stop: { ...stop, lost: record.payload.discarded } }
}
