import type { ProductSet } from '../house/product.ts'
import type { StationSet } from '../house/station.ts'
import { finishStep, startRun, startWait, takeBack } from '../procedure/acts.ts'
import { neededNames } from '../procedure/counts.ts'
import { unknownFacets } from '../procedure/facets.ts'
import type { Position } from '../procedure/frame.ts'
import { defaultFreshHours } from '../procedure/in-force.ts'
import type { ParameterUnit } from '../procedure/parameter.ts'
import type { Procedure } from '../procedure/language.ts'
import { waitEndsAt } from '../procedure/outline.ts'
import { servesFamily } from '../procedure/nodes.ts'
import { ownId } from '../procedure/own.ts'
import type { Facts } from '../procedure/payloads.ts'
import { runFold } from '../procedure/run.ts'
import type { RunState } from '../procedure/run-state.ts'
import { stationFold } from '../procedure/station.ts'
import type { StationState } from '../procedure/station-state.ts'
import type { Verdict } from '../rules/index.ts'
import type { AnyRecord, Payloads, RecordType } from '../stream/record.ts'
import { inForceFor } from './in-force.ts'

/** A run that is worked through to see how it goes: by the folds that real runs go by, and nothing of it is recorded. */
export interface Rehearsal {
  readonly procedure: Procedure
  readonly run: RunState
  readonly station: StationState
  /** Its own clock, ms: a wait is over at once. */
  readonly at: number
  readonly product: (id: string) => Partial<ProductSet> | null
  readonly taken: number
}

/** What stands for a number that the machine's plate lacks, by its unit: enough to go on with, and no more. */
const standIn: Readonly<Record<ParameterUnit, number>> = {
  mL: 4000,
  min: 5,
  count: 2,
  '°C': 60,
  K: 20,
  g: 20,
  µm: 200,
  ppm: 200,
}
const id = 'rehearsal'
const minuteMs = 60_000

/** Takes one record in, by the folds that real ones go by. @param passed minutes since the last. */
export function rehearsedRecord<T extends RecordType>(
  r: Rehearsal,
  type: T,
  payload: Payloads[T],
  passed = 0.5,
): Rehearsal {
  const at = r.at + passed * minuteMs
  const envelope = {
    id: `${id}-${r.taken}`,
    site: id,
    subject: { kind: 'run', id },
    device: id,
    counter: r.taken,
    by: id,
  }
  const times = { observedAt: at, receivedAt: at, clockOffset: 0, seq: r.taken, prev: '', flags: [] }
  const draft = { ...envelope, ...times, type, payload } as unknown as AnyRecord
  const inForce = inForceFor(draft, {
    station: () => r.station,
    run: () => r.run,
    procedure: () => r.procedure,
    product: r.product,
    mix: () => null,
    freshHours: defaultFreshHours,
  })
  const record = { ...draft, ...(inForce ? { inForce } : {}) } as AnyRecord
  const [run, station] = [runFold.apply(r.run, record), stationFold.apply(r.station, record)]
  return { ...r, run, station, at, taken: r.taken + 1 }
}

/**
 * A machine that stands as a procedure asks at its beginning. @param plate of the machine; what it lacks is stood in for. @param on the
 * machine's id.
 */
export function readyFor(procedure: Procedure, plate: StationSet, on = id): StationState {
  const missing = Object.fromEntries(
    neededNames(procedure).map((name) => [name, standIn[procedure.parameters[name] ?? 'count']]),
  )
  const { begins = {} } = procedure
  const isApart = begins.assembly === 'drying' || begins.assembly === 'apart'
  return {
    ...stationFold.initial(on),
    plate: {
      ...plate,
      family: servesFamily(procedure, plate.family) ? plate.family : procedure.family,
      parameters: { ...missing, ...plate.parameters },
    },
    facets: { ...unknownFacets, ...begins, partsOut: isApart ? null : 0, isolatedBy: null },
  }
}

/**
 * Begins a rehearsal on a machine that stands as the procedure asks. @param plate of the machine; what it lacks is stood in for.
 * @param product a product of the site's by its id, for its label. @param on the machine's id.
 */
export function rehearse(
  procedure: Procedure,
  plate: StationSet,
  product: Rehearsal['product'],
  on = id,
): Rehearsal {
  const known = { ...procedure, id: ownId(procedure.id) }
  const station = readyFor(known, plate, on)
  const empty = { procedure: known, run: runFold.initial(id), station, at: 0, product, taken: 0 }
  return rehearsedRecord(empty, 'run.started@2', startRun(id, on, known))
}

export const rehearsedStep = (r: Rehearsal, position: Position, facts: Facts): Rehearsal =>
  rehearsedRecord(r, 'run.step.done@2', finishStep(r.run, position, facts))

/** Waits a wait out. */
export function rehearsedWait(r: Rehearsal, position: Position): Rehearsal {
  const begun = rehearsedRecord(r, 'run.wait.started@2', startWait(r.run, position))
  const left = ((waitEndsAt(begun.run, position.key) ?? begun.at) - begun.at) / minuteMs
  return rehearsedRecord(begun, 'run.step.done@2', finishStep(begun.run, position), left)
}

/** Takes the reading of a check for read, with a verdict. */
export function rehearsedCheck(r: Rehearsal, position: Position, verdict: Verdict): Rehearsal {
  const payload = {
    run: id,
    station: r.station.id,
    step: position.key,
    what: 'rehearsed',
    judgement: { overall: verdict },
  }
  const judged = { ...payload, case: null, product: null, instruments: [] }
  return rehearsedRecord(r, 'reading.taken@1', judged as unknown as Payloads['reading.taken@1'])
}

export const rehearsedBack = (r: Rehearsal, position: Position): Rehearsal =>
  rehearsedRecord(r, 'run.step.undone@2', takeBack(r.run, position))
