import { choiceOf } from './nodes.ts'
import { type Procedure } from './language.ts'
import { isOwn } from './own.ts'
import { machineNumbers, neededNames, optionalNames } from './counts.ts'
import type { Position } from './frame.ts'
import { numberOf } from './parameter.ts'
import type { InForce } from './in-force.ts'
import type { Facts, RunStarted, RunStep, StepDone, WaitStarted } from './payloads.ts'
import type { RunState } from './run-state.ts'
import type { StationState } from './station-state.ts'

/**
 * What a run of a procedure starts from: the plate's numbers and the choices of its options as the site has them.
 * @param chosen by option: the station's own where left out; the default where nothing was chosen. Throws `parameter_missing`.
 */
export function startInForce(
  station: Pick<StationState, 'plate' | 'counted'>,
  procedure: Procedure,
  chosen: Readonly<Record<string, string>> = station.plate?.options ?? {},
): InForce {
  const all = machineNumbers(station)
  const parameters = Object.fromEntries(
    neededNames(procedure).map((name) => [name, numberOf({ of: name }, all)]),
  )
  const known = [...optionalNames(procedure)].flatMap((name) =>
    all[name] === undefined ? [] : [[name, all[name]] as const],
  )
  const options = Object.fromEntries(
    (procedure.options ?? []).map((o) => [o.id, choiceOf(procedure, o.id, chosen)]),
  )
  return {
    parameters: { ...parameters, ...Object.fromEntries(known) },
    options,
    ...(isOwn(procedure.id) ? { document: procedure } : {}),
  }
}

/** The payload that starts a run. */
export const startRun = (run: string, station: string, procedure: Procedure): RunStarted => ({
  run,
  station,
  procedure: { id: procedure.id, version: procedure.version },
})

const stepOf = (run: RunState, position: Position): RunStep => ({
  run: run.id,
  station: run.station,
  step: position.key,
})

/** The payload that marks a step done. @param boot the device's own time since it was switched on. */
export const finishStep = (
  run: RunState,
  position: Position,
  facts: Facts = {},
  boot?: string,
): StepDone => ({ ...stepOf(run, position), facts, ...(boot === undefined ? {} : { boot }) })

/** The payload that takes a step back, its timer too. */
export const takeBack = (run: RunState, position: Position): RunStep => stepOf(run, position)

/** The payload that starts a wait's timer; how long it must last is worked out from the run. */
export const startWait = (run: RunState, position: Position, boot?: string): WaitStarted => ({
  ...stepOf(run, position),
  ...(boot === undefined ? {} : { boot }),
})
