import { effectsDuring, effectsOf, restoring } from './effects.ts'
import type { Procedure } from './language.ts'
import { numberOf, type Position } from './outline.ts'
import type { Facts, RunStarted, StepDone, StepUndone, WaitStarted } from './records.ts'
import type { RunState } from './run.ts'
import type { StationState } from './station.ts'

/** The payload that starts a run, with the model's numbers as they are now. Throws `parameter_missing`. */
export function startRun(run: string, station: StationState, procedure: Procedure): RunStarted {
  const all = station.plate?.parameters ?? {}
  const parameters = Object.fromEntries(
    Object.keys(procedure.parameters).map((name) => [name, numberOf({ of: name }, all)]),
  )
  return { run, station: station.id, procedure: { id: procedure.id, version: procedure.version }, parameters }
}

const kindOf = (position: Position): string => (position.kind === 'sign' ? 'sign' : position.step.kind)

/** The payload that marks a step done. */
export const finishStep = (run: RunState, position: Position, facts: Facts = {}): StepDone => ({
  run: run.id,
  station: run.station,
  step: position.key,
  kind: kindOf(position),
  facts,
  effects: effectsOf(position),
})

/** The payload that takes a step back, restoring what the step's own effects had changed. */
export const takeBack = (run: RunState, before: StationState, position: Position): StepUndone => ({
  run: run.id,
  station: run.station,
  step: position.key,
  restores: restoring(position, before.facets),
})

/** The payload that starts a wait's timer. */
export const startWait = (run: RunState, position: Position, minutes: number): WaitStarted => ({
  run: run.id,
  station: run.station,
  step: position.key,
  minutes,
  effects: effectsDuring(position),
})
