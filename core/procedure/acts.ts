import { beforeEffects, effectsDuring, effectsOf } from './effects.ts'
import type { Facets } from './facets.ts'
import { choiceOf, type Procedure } from './language.ts'
import { isOwn } from './own.ts'
import { numberOf, type Position } from './outline.ts'
import type { Facts, RunStarted, StepDone, StepUndone, WaitStarted } from './records.ts'
import type { RunState } from './run.ts'
import type { StationState } from './station.ts'

/**
 * The payload that starts a run, with the model's numbers and the options' choices as they are now.
 * @param chosen by option: the station's own where left out; the default where nothing was chosen. Throws `parameter_missing`.
 */
export function startRun(
  run: string,
  station: StationState,
  procedure: Procedure,
  chosen: Readonly<Record<string, string>> = station.plate?.options ?? {},
): RunStarted {
  const all = station.plate?.parameters ?? {}
  const parameters = Object.fromEntries(
    Object.keys(procedure.parameters).map((name) => [name, numberOf({ of: name }, all)]),
  )
  const options = Object.fromEntries(
    (procedure.options ?? []).map((o) => [o.id, choiceOf(procedure, o.id, chosen)]),
  )
  return {
    run,
    station: station.id,
    procedure: { id: procedure.id, version: procedure.version },
    parameters,
    ...(procedure.options ? { options } : {}),
    ...(isOwn(procedure.id) ? { document: procedure } : {}),
  }
}

const kindOf = (position: Position): string => (position.kind === 'sign' ? 'sign' : position.step.kind)

/** The payload that marks a step done. @param now the station's facets before it. */
export function finishStep(
  procedure: Procedure,
  run: RunState,
  position: Position,
  now: Facets,
  facts: Facts = {},
): StepDone {
  const effects = effectsOf(procedure, run, position, now)
  const before = beforeEffects(effects, now)
  return {
    run: run.id,
    station: run.station,
    step: position.key,
    kind: kindOf(position),
    facts,
    effects,
    before,
  }
}

/** The payload that takes a step back, its timer too, and restores what they had changed. */
export function takeBack(run: RunState, position: Position): StepUndone {
  const { key } = position
  const restores = { ...run.done[key]?.before, ...run.waits[key]?.before }
  return { run: run.id, station: run.station, step: key, restores }
}

/** The payload that starts a wait's timer. @param now the station's facets before it. */
export function startWait(
  procedure: Procedure,
  run: RunState,
  position: Position,
  now: Facets,
  minutes: number,
): WaitStarted {
  const effects = effectsDuring(procedure, run, position, now)
  const before = beforeEffects(effects, now)
  return { run: run.id, station: run.station, step: position.key, minutes, effects, before }
}
