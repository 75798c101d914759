import { outline } from './outline.ts'
import { procedureOfRun, type RunState } from './run-state.ts'
import type { ReadOff, StationState } from './station-state.ts'
import type { Verdict } from '../rules/index.ts'
import type { Step } from './language.ts'

/** Readings of one kind that are kept, the newest. */
const kept = 24
const mark = (run: RunState, key: string): string => `${run.id} ${key}`

/** What a step that is done leaves behind beside the machine's state: an age that begins anew, a number that was read. */
export function withStepKept(state: StationState, run: RunState, key: string): StationState {
  const procedure = procedureOfRun(run)
  const position = procedure && outline(procedure, run).find((p) => p.key === key)
  const done = run.done[key]
  if (position?.kind !== 'step' || !done) return state
  return read(afresh(state, run, key, position.step, done.at), run, key, position.step)
}

/** A compartment of a sink is filled anew: its age begins. */
function afresh(state: StationState, run: RunState, key: string, { fills }: Step, at: number): StationState {
  if (!fills) return state
  const before = state.compartments?.[fills]?.at ?? null
  return { ...state, compartments: { ...state.compartments, [fills]: { at, step: mark(run, key), before } } }
}

function read(state: StationState, run: RunState, key: string, step: Step): StationState {
  const done = run.done[key]
  const value = done?.facts['read']
  if (step.kind !== 'read' || !done || typeof value !== 'number') return state
  const outcome = done.facts['outcome']
  const verdict = typeof outcome === 'string' ? (outcome as Verdict) : null
  const one: ReadOff = { at: done.at, step: mark(run, key), value, verdict }
  const before = state.readOff?.[step.what] ?? []
  return { ...state, readOff: { ...state.readOff, [step.what]: [...before, one].slice(-kept) } }
}

/** Taken back, it left nothing behind: a compartment is as old as it was, and the number was not read. */
export function withStepForgotten(state: StationState, run: RunState, key: string): StationState {
  const { compartments, readOff } = state
  const of = mark(run, key)
  const ages = Object.entries(compartments ?? {}).flatMap(([name, c]) => {
    if (c.step !== of) return [[name, c] as const]
    return c.before === null ? [] : [[name, { at: c.before, step: '', before: null }] as const]
  })
  const reads = Object.entries(readOff ?? {}).map(([what, all]) => [what, all.filter((r) => r.step !== of)])
  return {
    ...state,
    ...(compartments ? { compartments: Object.fromEntries(ages) } : {}),
    ...(readOff ? { readOff: Object.fromEntries(reads) as NonNullable<StationState['readOff']> } : {}),
  }
}
