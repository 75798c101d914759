import { machineNumbers } from './counts.ts'
import { correctedAt, type AnyRecord } from '../stream/record.ts'
import type { Facets } from './facets.ts'
import { overriddenStep, procedureOfRun, withoutKey, type RunState } from './run-state.ts'
import type { FollowUp, StationState, Watched } from './station-state.ts'
import { changeBy, changeDuring } from './effects.ts'
import { stepsOfRun } from './nodes.ts'
import { baseOf } from './own.ts'

/** What an inspection asks for: a follow-up, an eye kept on it, or the machine out of service at once. */
export function asked(
  state: StationState,
  run: RunState,
  record: AnyRecord & { type: 'run.step.done@2' },
): StationState {
  const { step } = record.payload
  const facts = run.done[step]?.facts ?? {}
  const [outcome, choice] = [facts['outcome'], String(facts['choice'] ?? '')]
  if (typeof outcome !== 'string' || facts['choice'] === undefined) return state
  const at = correctedAt(record)
  const watched = watchedAfter(state, run, step, outcome, { at, by: record.by, choice })
  const next = followed({ ...state, watched }, { run: run.id, step, choice, at, by: record.by }, outcome)
  if (outcome !== 'technician') return next
  const stopped = { since: at, by: record.by, why: 'technician' as const }
  return { ...next, outOfService: { ...stopped, run: run.id, step, what: choice } }
}

/** The name under which what an inspection said is remembered: the same step of the next run finds it. */
export const watchKey = (procedure: string, step: string): string =>
  `${procedure} ${step.replaceAll(/\.\d+\./g, '.')}`

/** Times in a row that an eye was kept on a thing, after which the next one is decided. Common practice, no source. */
export const watchesBeforeDecision = 2

function watchedAfter(
  state: StationState,
  run: RunState,
  step: string,
  outcome: string,
  said: Watched,
): StationState['watched'] {
  const key = watchKey(run.procedure.id, step)
  if (outcome !== 'watch') return withoutKey(state.watched, key)
  return { ...state.watched, [key]: [...(state.watched[key] ?? []), said].slice(-12) }
}

function followed(state: StationState, found: Omit<FollowUp, 'outcome'>, outcome: string): StationState {
  const others = state.followUps.filter((f) => f.run !== found.run || f.step !== found.step)
  if (outcome !== 'regrease' && outcome !== 'replace' && outcome !== 'technician') return state
  return { ...state, followUps: [...others, { ...found, outcome }] }
}

/** A run that was worked to its end: what counts since it was last done starts anew. */
export function runEnded(
  state: StationState,
  run: RunState,
  record: AnyRecord & { type: `run.${string}` | 'reading.taken@1' },
): StationState {
  const at = correctedAt(record)
  const procedure = baseOf(run.procedure.id)
  const gone = letGo(state, run)
  const short = overriddenStep(run)
  // A contact time that was too short has not happened: what was due stays due.
  if (short?.short)
    return {
      ...gone,
      notSanitized: {
        ...state.notSanitized,
        [procedure]: { ...short.short, run: run.id, at, by: short.overridden?.by ?? record.by },
      },
    }
  const counts = Object.fromEntries(Object.entries(state.counts).map(([of, c]) => [of, c.total]))
  const last = {
    run: run.id,
    finishedAt: run.entered ? (run.endedAt ?? at) : at,
    by: run.entered ? run.startedBy : record.by,
    counts,
    ...(run.entered ? { entered: true } : {}),
  }
  const newer = (state.lastRuns[procedure]?.finishedAt ?? 0) > last.finishedAt
  const answered = (state.plate?.duties ?? []).flatMap((d) =>
    baseOf(d.procedure) === procedure && d.trigger.kind === 'sign' ? [d.trigger.sign] : [],
  )
  const done = {
    ...gone,
    lastRuns: newer ? state.lastRuns : { ...state.lastRuns, [procedure]: last },
    notSanitized: withoutKey(state.notSanitized, procedure),
    signs: state.signs.filter((s) => !answered.includes(s.sign)),
  }
  return run.entered ? asEntered(done, run) : done
}

/** An ended run is on the station no more. */
export const letGo = (state: StationState, run: RunState): StationState => ({
  ...state,
  currentRun: state.currentRun?.run === run.id ? null : state.currentRun,
  runs: withoutKey(state.runs, run.id),
  lanes: withoutKey(state.lanes, run.id),
  before: withoutKey(state.before, run.id),
})

/** As a run leaves a machine that nobody watched: contact was not seen, so it is sanitized again before product. */
function asEntered(state: StationState, run: RunState): StationState {
  // A run that was told of brings no numbers: the machine's own hold.
  const options = state.plate?.options ?? {}
  const procedure = procedureOfRun({ ...run, parameters: machineNumbers(state), options })
  if (!procedure || state.currentRun !== null) return state
  const after = stepsOfRun(procedure, options).reduce<Facets>((facets, step) => {
    const during = { ...facets, ...changeDuring(step) }
    return { ...during, ...changeBy(step, during, { whole: true, broke: [] }) }
  }, state.facets)
  const sanitizes = after.hygiene === 'sanitized'
  const facets: Facets = {
    ...after,
    // A wash that was told of is believed, a contact time or a count is not.
    ...(sanitizes ? { hygiene: 'unknown' as const } : {}),
    contact: 'none',
    isolatedBy: null,
    ...(after.assembly === 'whole' ? {} : { partsOut: null }),
  }
  return { ...state, facets, sanitizedAt: sanitizes ? null : state.sanitizedAt }
}

/** Records of before the server worked out what a step does: they keep folding as they did. */
export function oldRunRecord(state: StationState, record: AnyRecord): StationState {
  switch (record.type) {
    case 'run.step.done@1': {
      const { run, step, effects, facts } = record.payload
      const told = {
        run,
        step,
        choice: String(facts['choice'] ?? ''),
        at: correctedAt(record),
        by: record.by,
      }
      return followed(believed(state, effects, told.at), told, String(facts['outcome'] ?? ''))
    }
    case 'run.wait.started@1':
      return believed(state, record.payload.effects, correctedAt(record))
    case 'run.step.undone@1': {
      const { run, step, restores } = record.payload
      const followUps = state.followUps.filter((f) => f.run !== run || f.step !== step)
      return believed({ ...state, followUps }, restores, correctedAt(record))
    }
    default:
      return state
  }
}

function believed(state: StationState, effects: Partial<Facets>, at: number): StationState {
  const sanitizedAt =
    effects.hygiene === undefined ? state.sanitizedAt : effects.hygiene === 'sanitized' ? at : null
  return { ...state, facets: { ...state.facets, ...effects }, sanitizedAt }
}
