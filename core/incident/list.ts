import { coldOutcome, type ColdOutcome } from '../cold/index.ts'
import { anyTcs, type MixSet } from '../house/index.ts'
import {
  cleanedSince,
  isWaterBack,
  type LastRun,
  type Procedure,
  type StationState,
} from '../procedure/index.ts'
import { holdsProduct, waterDoubts, type Doubt, type HeldThere } from './doubt.ts'
import { doneKey, type IncidentState } from './fold.ts'
import { incidentRules, type IncidentPart } from './kinds.ts'
import { cleansBefore } from './touched.ts'

/** What of the site its list is made from. */
export interface IncidentKnown extends HeldThere {
  readonly mixOf: (id: string) => Partial<MixSet> | null
  /** As it is in force today; null where nobody knows it. */
  readonly procedureOf: (id: string) => Procedure | null
  /** Seconds that the product's label asks for; null where it does not say, or no product was chosen. */
  readonly contactSeconds: number | null
  /** Hours of a written procedure for time without cold that the site had entered before it happened. */
  readonly writtenHours: 4 | 6 | null
  /** Milliseconds UTC. */
  readonly now: number
}

interface Of {
  readonly key: string
  readonly part: IncidentPart
  readonly isDone: boolean
  /** Done only once it is over: the water is back. */
  readonly waits: boolean
}
export type IncidentItem = Of &
  (
    | { readonly is: 'task'; readonly task: string }
    | {
        readonly is: 'timer'
        readonly task: string
        /** Null: the label does not say. */
        readonly leastMs: number | null
        readonly from: number | null
        /** It was ended before its time. */
        readonly short: boolean
      }
    | { readonly is: 'doubt'; readonly doubt: Doubt; readonly kept: string | null }
    | {
        readonly is: 'cold'
        readonly station: string | null
        readonly rerun: string | null
        /** Food that the log does not follow, in words. */
        readonly food: string
        readonly outcome: ColdOutcome | null
        readonly kept: string | null
        /** It was thrown out, or used up in time. */
        readonly isGone: boolean
      }
    | {
        readonly is: 'run'
        readonly station: string
        readonly procedure: string
        readonly run: LastRun | null
      }
  )

/** Food that somebody entered by its name: what comes before its number in the names of what was done. */
export const foodTask = 'food.'
/** After what was read: it was thrown out, or kept since somebody decided so. */
export const decidedTask = (key: string): string => `${decided}${key}`
const decided = 'decided.'
/** What something was done about, where it was decided after it was read; else the task itself. */
export const aboutTask = (task: string): string =>
  task.startsWith(decided) ? task.slice(decided.length) : task

/** Stations of it that are out of service still. */
export const stationsOut = ({ stations, back }: Pick<IncidentState, 'stations' | 'back'>): string[] =>
  stations.filter((id) => !back.includes(id))

/**
 * All that is to be done about it, in order: people, what stops, who is called, what is thrown out, what is cleaned. From the log as it
 * stands: what the log says happened is done, and nothing else is.
 */
export function incidentList(incident: IncidentState, known: IncidentKnown): IncidentItem[] {
  const rule = incidentRules[incident.kind]
  const out = new Set(stationsOut(incident))
  const at = incident.over?.at ?? known.now
  const stations = known.stations.filter((s) => out.has(s.id))
  const doubts = rule.water ? waterDoubts({ ...known, stations }, goodUntil(incident), at) : []
  return [
    ...rule.tasks.filter((t) => t.part !== 'clean').flatMap((t) => taskItem(incident, known, t)),
    ...doubts.map((doubt) => doubtItem(incident, doubt)),
    ...(rule.cold ? coldItems(incident, { ...known, stations }) : []),
    ...rule.tasks.filter((t) => t.part === 'clean').flatMap((t) => taskItem(incident, known, t)),
    ...stations.toSorted(inTurn).flatMap((s) => stationItems(incident, s, known)),
  ]
}

/** Sinks first, where machines' parts are washed; bins last, which take the makers' first ice. */
const inTurn = (a: StationState, b: StationState): number => turn(a) - turn(b)
const turn = ({ plate }: StationState): number =>
  plate?.family === 'sink' ? 0 : plate?.family === 'ice-bin' ? 2 : 1

/** When the water was last known good: never later than when it was called. Null: nobody knows. */
const goodUntil = ({ knownGood, at }: IncidentState): number | null =>
  knownGood?.at === null || knownGood?.at === undefined ? null : Math.min(knownGood.at, at)

function taskItem(
  incident: IncidentState,
  { contactSeconds }: IncidentKnown,
  { task, part, minutes }: (typeof incidentRules)[IncidentState['kind']]['tasks'][number],
): IncidentItem[] {
  const done = incident.done[doneKey(task, null)]
  // What is cleaned while it goes on is dirty again.
  const waits = part === 'clean' && incident.over === null
  const isIn = done !== undefined && (part !== 'clean' || isSinceOver(incident, done.at))
  if (minutes === undefined) return [{ is: 'task', key: task, task, part, isDone: isIn, waits }]
  const isLabel = minutes === 'label'
  const leastMs = isLabel ? contactSeconds && contactSeconds * 1000 : minutes * 60_000
  const from = isLabel ? (incident.done[doneKey(`${task}-begun`, null)]?.at ?? null) : incident.at
  const isAfter = isIn && from !== null && done.at >= from
  const isDone = isAfter && leastMs !== null && done.at - from >= leastMs
  return [{ is: 'timer', key: task, task, part, leastMs, from, isDone, short: isAfter && !isDone, waits }]
}

const isSinceOver = ({ over }: IncidentState, at: number): boolean => over !== null && at >= over.at

/** What a doubt is called in what was done. */
export function doubtKey(doubt: Doubt): string {
  if ('station' in doubt) return `${doubt.what} ${doubt.station}`
  if (doubt.what === 'bath') return `bath ${doubt.bath}`
  return doubt.what === 'rerun' ? `rerun ${doubt.rerun}` : doubt.what
}

function doubtItem(incident: IncidentState, doubt: Doubt): IncidentItem {
  const key = doubtKey(doubt)
  const done = incident.done[key]
  const kept = done?.kept ? done.note : null
  return { is: 'doubt', key, part: 'discard', doubt, kept, isDone: done !== undefined, waits: false }
}

interface ColdOf {
  readonly key: string
  readonly station: string | null
  readonly rerun: string | null
  readonly food: string
}

function coldItems(incident: IncidentState, known: IncidentKnown): IncidentItem[] {
  const tcs = (ids: readonly string[] = []) => anyTcs(ids.map(known.mixOf))
  const machines = known.stations
    .filter((s) => holdsProduct(s) && tcs(s.holds?.mixes))
    .map((s): ColdOf => ({ key: doneKey('cold', s.id), station: s.id, rerun: null, food: '' }))
  const items = machines.map((of) => coldItem(incident, of, known))
  // One machine that is out of range leaves the fridges cold.
  if (!incidentRules[incident.kind].lasts) return items
  const kept = known.reruns
    .filter((r) => r.keptAt !== null && !r.ended && tcs(r.mixes))
    .map((r): ColdOf => ({ key: `cold ${r.id}`, station: r.station ?? null, rerun: r.id, food: '' }))
  const foods = Object.entries(incident.done)
    .filter(([key]) => key.startsWith(foodTask))
    .map(([key, done]): ColdOf => ({ key, station: null, rerun: null, food: done.food ?? '' }))
  const through = incident.done['foods-through']
  const isDone = through !== undefined && isSinceOver(incident, through.at)
  const waits = incident.over === null
  return [
    ...items,
    ...[...kept, ...foods].map((of) => coldItem(incident, of, known)),
    { is: 'task', key: 'foods-through', task: 'foods-through', part: 'discard', isDone, waits },
  ]
}

function coldItem(incident: IncidentState, of: ColdOf, { writtenHours, now }: IncidentKnown): IncidentItem {
  const done = incident.done[of.key]
  const decided = incident.done[decidedTask(of.key)]
  const lasts = incidentRules[incident.kind].lasts
  const outcome =
    done && (done.read || done.warmSince !== undefined)
      ? coldOutcome({
          ...{ read: done.read ?? null, readAt: done.at, now, writtenHours },
          warmSince: done.warmSince === undefined ? 'never' : done.warmSince,
          coldBack: lasts ? (incident.over?.at ?? 'lasts') : null,
        })
      : null
  // What must go is done once it is gone; what is asked about once somebody has decided.
  const isGone = decided !== undefined && decided.kept === undefined
  const isDone =
    isGone ||
    outcome?.is === 'keep' ||
    outcome?.is === 'use-by' ||
    (outcome?.is === 'ask' && decided !== undefined)
  const kept = decided?.kept ? decided.note : null
  return { is: 'cold', part: 'discard', ...of, outcome, kept, isGone, isDone, waits: false }
}

function stationItems(
  incident: IncidentState,
  station: StationState,
  { procedureOf }: IncidentKnown,
): IncidentItem[] {
  const closure = station.closures?.find((c) => c.incident === incident.id)
  // By the cleaning schedule as it stands now, too: what was left out of the record is not left out of the work.
  const asked = cleansBefore(incident.kind, station, procedureOf)
  const cleans = [...new Set([...(incident.cleans[station.id] ?? []), ...asked])]
  const runOf = (procedure: string) => (closure ? cleanedSince(station, closure, procedure) : null)
  const flush = cleans.find((id) => isWaterBack({ id }))
  const flushed = flush === undefined ? 0 : (runOf(flush)?.finishedAt ?? Infinity)
  return cleans.map((procedure): IncidentItem => {
    const found = runOf(procedure)
    // What was cleaned with the water of before is cleaned again.
    const run = found && found.finishedAt >= flushed ? found : null
    const of = { station: station.id, procedure, run }
    const key = `run ${station.id} ${procedure}`
    return { is: 'run', key, part: 'clean', ...of, isDone: run !== null, waits: incident.over === null }
  })
}
