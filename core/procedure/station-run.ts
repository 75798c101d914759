import { correctedAt, type AnyRecord } from '../stream/record.ts'
import { conflictsAt } from './condition.ts'
import { changeBy, changeDuring } from './effects.ts'
import { defaultFreshHours } from './in-force.ts'
import type { Facets } from './facets.ts'
import { changedInLane, facetsInLane, facetsOver, type LaneGroups } from './lanes.ts'
import type { Position } from './frame.ts'
import { outline } from './outline.ts'
import { runFold } from './run.ts'
import { isRunType, type RunType } from './records.ts'
import { baseOf } from './own.ts'
import { overriddenStep, procedureOfRun, withoutKey, withoutTold, type RunState } from './run-state.ts'
import { withStepForgotten, withStepKept } from './station-kept.ts'
import type { StationState } from './station-state.ts'
import { asked, letGo, oldRunRecord, runEnded } from './station-outcome.ts'
import { withTemperature } from './station-temperature.ts'

type RunRecord = AnyRecord & { type: RunType | 'reading.taken@1' }

export const isRunRecord = (record: AnyRecord): record is RunRecord =>
  isRunType(record.type) || (record.type === 'reading.taken@1' && record.payload.run !== null)

/** The station after a record of a run on it: the run is followed here, and what its steps do is worked out from it. */
export function withRun(state: StationState, record: RunRecord): StationState {
  const id = record.payload.run
  if (id === null) return state
  const was = state.runs[id] ?? runFold.initial(id)
  const run = runFold.apply(was, record)
  const next = record.type === 'reading.taken@1' ? withTemperature(state, record) : state
  // A run that was never begun here, or has ended, changes nothing.
  if (run.status === 'not-started') return oldRunRecord(next, record)
  const following = { ...next, runs: { ...next.runs, [id]: run } }
  return settled(was, run, worked(following, was, run, record), record)
}

function worked(state: StationState, was: RunState, run: RunState, record: RunRecord): StationState {
  switch (record.type) {
    case 'run.started@1':
    case 'run.started@2': {
      if (was.status !== 'not-started') return state
      const begun = { run: run.id, procedure: baseOf(run.procedure.id), startedAt: run.startedAt }
      return { ...state, currentRun: begun }
    }
    case 'run.wait.started@2':
      return run.waits[record.payload.step] === was.waits[record.payload.step]
        ? state
        : stepped(state, was, run, record, 'during')
    case 'run.step.done@2':
      return run.done[record.payload.step] === was.done[record.payload.step]
        ? state
        : doneOn(asked(stepped(state, was, run, record, 'done'), run, record), run, record.payload.step)
    case 'run.step.undone@2':
      return undoneOn(undone(state, was, record.payload.step), was, record.payload.step)
    case 'run.part.missing@1':
      return run.stop && run.stop !== was.stop
        ? {
            ...state,
            outOfService: {
              since: run.stop.at,
              by: record.by,
              why: 'part-missing',
              run: run.id,
              step: run.stop.step,
              what: run.stop.what,
            },
          }
        : state
    case 'run.part.found@1':
      // Found and to be counted: the run goes on from the count, and nothing was mended.
      return was.stop !== null && run.stop === null && state.outOfService?.run === run.id
        ? { ...state, outOfService: null }
        : state
    case 'run.step.done@1':
    case 'run.wait.started@1':
    case 'run.step.undone@1':
      return oldRunRecord(state, record)
    default:
      return state
  }
}

const doneOn = (state: StationState, run: RunState, step: string): StationState =>
  withStepKept(filled(counted(state, run, step), run, step), run, step)
const undoneOn = (state: StationState, was: RunState, step: string): StationState =>
  withStepForgotten(emptied(uncounted(state, was, step), was, step), was, step)

/** What a run counted of the machine is known from then on. */
function counted(state: StationState, run: RunState, step: string): StationState {
  const told = run.done[step]?.told
  return told ? { ...state, counted: { ...state.counted, ...told } } : state
}

const idsIn = (text: unknown): string[] => (typeof text === 'string' ? text.split(' ').filter(Boolean) : [])

/** What was put in, where the step says which mixes: ids with a space between. */
function filled(state: StationState, run: RunState, step: string): StationState {
  const facts = run.done[step]?.facts
  if (typeof facts?.['mixes'] !== 'string') return state
  const { mixes, reruns } = state.holds ?? {}
  const before = mixes && reruns ? { mixes, reruns } : null
  const holds = {
    mixes: idsIn(facts['mixes']),
    reruns: idsIn(facts['reruns']),
    step: `${run.id} ${step}`,
    before,
  }
  return { ...state, holds }
}

function emptied(state: StationState, run: RunState, step: string): StationState {
  const { holds, ...rest } = state
  if (holds?.step !== `${run.id} ${step}`) return state
  return holds.before ? { ...rest, holds: { ...holds.before, step: '', before: null } } : rest
}

function uncounted(state: StationState, was: RunState, step: string): StationState {
  const told = was.done[step]?.told
  return told ? { ...state, counted: withoutTold(state.counted ?? {}, told) } : state
}

/** What a step, or the beginning of its wait, makes of the station; remembered so that it can be taken back. */
function stepped(
  state: StationState,
  was: RunState,
  run: RunState,
  record: AnyRecord & { type: 'run.step.done@2' | 'run.wait.started@2' },
  what: 'done' | 'during',
): StationState {
  // With what this very step counted.
  const procedure = procedureOfRun(run)
  const { step: key } = record.payload
  const position = procedure && outline(procedure, was).find((p) => p.key === key)
  if (!procedure || position?.kind !== 'step') return state
  const at = correctedAt(record)
  const when = { at, freshHours: record.inForce?.freshHours ?? defaultFreshHours }
  const broke = conflictsAt(procedure, was, state, position, when)
  const now = facetsInLane(state.facets, state.lanes[run.id] ?? {}, position.lane)
  const change =
    what === 'during'
      ? changeDuring(position.step)
      : changeBy(position.step, now, { whole: run.done[key]?.short === undefined, broke })
  return changedBy(state, run, position, notByShort(run, change), at)
}

/** A run in which a contact time was cut short sanitizes nothing, whatever else of it was in contact long enough. */
function notByShort(run: RunState, change: Partial<Facets>): Partial<Facets> {
  if (change.hygiene !== 'sanitized' || !overriddenStep(run)?.short) return change
  const { hygiene: _, ...rest } = change
  return rest
}

function changedBy(
  state: StationState,
  run: RunState,
  position: Position,
  change: Partial<Facets>,
  at: number,
): StationState {
  const groups = state.lanes[run.id] ?? {}
  const after = changedInLane(state.facets, groups, position.lane, change, run)
  const facets = Object.fromEntries(
    (Object.keys(after.facets) as (keyof Facets)[])
      .filter((f) => after.facets[f] !== state.facets[f])
      .map((f) => [f, state.facets[f]]),
  )
  const before = { facets, sanitizedAt: state.sanitizedAt, lanes: groups }
  const kept = state.before[run.id]?.[position.key] ?? before
  return {
    ...state,
    facets: after.facets,
    sanitizedAt: sanitizedAt(state, after.facets, change, at),
    countedAt: after.facets.partsOut === 0 && (state.facets.partsOut ?? 1) > 0 ? at : state.countedAt,
    lanes: { ...state.lanes, [run.id]: after.groups },
    before: { ...state.before, [run.id]: { ...state.before[run.id], [position.key]: kept } },
  }
}

function sanitizedAt(state: StationState, after: Facets, change: Partial<Facets>, at: number): number | null {
  if (after.hygiene !== 'sanitized') return null
  return change.hygiene === 'sanitized' ? at : state.sanitizedAt
}

/** What a step changed is put back only where it is the last that was done there: else the station stays as it is. */
function undone(state: StationState, was: RunState, key: string): StationState {
  const before = state.before[was.id]?.[key]
  const forgotten = {
    ...state,
    followUps: state.followUps.filter((f) => f.run !== was.id || f.step !== key),
    before: { ...state.before, [was.id]: withoutKey(state.before[was.id] ?? {}, key) },
  }
  const procedure = procedureOfRun(was)
  const position = procedure && outline(procedure, was).find((p) => p.key === key)
  const stop = was.stop?.step === key && state.outOfService?.run === was.id ? null : state.outOfService
  if (!before || !position || !isLast(was, key, position.lane?.key ?? null)) return forgotten
  const { lane } = position
  const lanes = lane ? laneBack(state, was, before.lanes, lane.key) : before.lanes
  const over = lane ? facetsOver(lanes, lane, laneFacets(state.lanes[was.id], lane.key), was) : {}
  return {
    ...forgotten,
    outOfService: stop,
    facets: { ...state.facets, ...before.facets, ...over } as Facets,
    sanitizedAt: before.sanitizedAt,
    lanes: { ...state.lanes, [was.id]: lanes },
  }
}

/** One lane as it was before; the others as they have become. */
function laneBack(
  state: StationState,
  run: RunState,
  old: StationState['lanes'][string],
  key: string,
): StationState['lanes'][string] {
  const groupKey = key.slice(0, key.lastIndexOf('.'))
  const group = state.lanes[run.id]?.[groupKey]
  if (!group) return old
  const lanes = { ...withoutKey(group.lanes, key), ...pickLane(old[groupKey]?.lanes, key) }
  return { ...state.lanes[run.id], [groupKey]: { entry: group.entry, lanes } }
}

const laneFacets = (groups: LaneGroups | undefined, key: string): (keyof Facets)[] =>
  Object.keys(groups?.[key.slice(0, key.lastIndexOf('.'))]?.lanes[key] ?? {}) as (keyof Facets)[]

const pickLane = (lanes: Readonly<Record<string, Partial<Facets>>> | undefined, key: string) =>
  lanes?.[key] ? { [key]: lanes[key] } : {}

/** Whether nothing was done after a step in its lane, or in the whole run where it stands in none. */
function isLast(run: RunState, key: string, lane: string | null): boolean {
  const at = run.done[key]?.at ?? run.waits[key]?.startedAt
  if (at === undefined) return false
  return Object.entries({ ...run.done, ...startsOf(run) }).every(
    ([k, d]) => k === key || d.at <= at || (lane !== null && !k.startsWith(`${lane}.`)),
  )
}

const startsOf = (run: RunState): Record<string, { at: number }> =>
  Object.fromEntries(
    Object.entries(run.waits)
      .filter(([k]) => !run.done[k])
      .map(([k, w]) => [k, { at: w.startedAt }]),
  )

/** Where the record ended its run, the station lets go of it. */
function settled(was: RunState, run: RunState, state: StationState, record: RunRecord): StationState {
  if (run.status === 'finished') return was.status === 'finished' ? state : runEnded(state, run, record)
  const given = run.status === 'abandoned' || (run.status === 'stopped' && run.endedAt !== null)
  return given ? letGo(state, run) : state
}
