import { boundsOfDay, instantAt } from '../calendar/index.ts'
import type { RosterSet, SiteSet } from '../house/index.ts'
import {
  handsOn,
  mustLast,
  outline,
  procedureOfRun,
  waitMinutes,
  type RunState,
  type StationState,
} from '../procedure/index.ts'
import type { StripPick } from '../rules/index.ts'
import { correctedAt, type AnyRecord } from '../stream/index.ts'
import type { Entered, Entry, Looked, OnShift } from './entry.ts'

/** What a site's log holds of some days. */
export interface LogOfDays {
  readonly site: Pick<SiteSet, 'timeZone' | 'hours' | 'closedDays'>
  readonly records: readonly AnyRecord[]
  readonly runs: readonly RunState[]
  readonly stations: readonly StationState[]
  readonly rosters: readonly RosterSet[]
}

/** The types of records that tell how they were entered. */
export const enteredTypes: readonly string[] = ['reading.taken@1', 'run.step.done@2', 'run.finished@1']

const pickOf = (pick: StripPick | { readonly drops: number }): string => {
  if ('drops' in pick) return `${pick.drops} drops`
  if ('matches' in pick) return String(pick.matches)
  return 'between' in pick ? pick.between.join('..') : `>${pick.darkerThan}`
}

/** How what stands in a log was entered: by the tablets' own clocks; what a lead entered later for a day on paper is left out. */
export function entriesOf({ site, records, runs, stations, rosters }: LogOfDays): Looked {
  const runById = new Map(runs.filter((r) => !r.entered).map((r) => [r.id, r]))
  const areas = new Map(stations.map((s) => [s.id, s.plate?.place ?? '']))
  const entries = records.flatMap((record): Entry[] => {
    const what = enteredOf(record, runById)
    if (!what) return []
    const { station } = record.payload as { readonly station?: string | null }
    const at = correctedAt(record)
    const here = { station: station ?? null, area: areas.get(station ?? '') ?? '' }
    return [{ record: record.id, person: record.by, tablet: record.device, at, ...here, what }]
  })
  const shifts = rosters.flatMap((roster) =>
    roster.shifts.flatMap((s): OnShift[] => {
      const at = (time: string) => instantAt(roster.day, time, site.timeZone)
      return s.away ? [] : [{ person: s.person, from: at(s.from), to: at(s.to) }]
    }),
  )
  return { entries, shifts, rostered: rosters.map((roster) => boundsOfDay(site, roster.day)) }
}

/** Minutes of work, and how long it must last where it is a wait that must, by step. */
function stepsOfRun(run: RunState): ReadonlyMap<string, { readonly minutes: number; readonly wait: number }> {
  const known = steps.get(run)
  if (known) return known
  const procedure = procedureOfRun(run)
  const found = new Map(
    (procedure ? outline(procedure, run) : []).flatMap((p) => {
      if (p.kind !== 'step') return []
      const { step } = p
      const isWait = step.kind === 'wait' || step.kind === 'tend'
      const wait = isWait && mustLast(step) ? waitMinutes(step, run) : 0
      return [[p.key, { minutes: isWait ? 0 : handsOn(step, run.parameters), wait }] as const]
    }),
  )
  steps.set(run, found)
  return found
}
const steps = new WeakMap<
  RunState,
  ReadonlyMap<string, { readonly minutes: number; readonly wait: number }>
>()

function enteredOf(record: AnyRecord, runs: ReadonlyMap<string, RunState>): Entered | null {
  if (record.type === 'reading.taken@1') {
    const { payload } = record
    if (payload.what === 'sanitizer' && payload.picks.strength)
      return {
        kind: 'strip',
        like: `${payload.product} ${payload.use ?? ''}`,
        block: pickOf(payload.picks.strength),
      }
    if (payload.what === 'cold-product' && payload.station)
      return { kind: 'number', like: payload.station, value: payload.reading.value }
    return null
  }
  if (record.type === 'run.step.done@2') {
    const run = runs.get(record.payload.run)
    const step = run && stepsOfRun(run).get(record.payload.step)
    return step && step.minutes > 0 ? { kind: 'step', minutes: step.minutes } : null
  }
  if (record.type === 'run.finished@1') {
    const run = runs.get(record.payload.run)
    if (!run) return null
    const done = [...stepsOfRun(run)].filter(([key]) => run.done[key] && !run.done[key].overridden)
    // Lanes go side by side: no run is shorter than its longest wait.
    const waits = Math.max(0, ...done.map(([, s]) => s.wait))
    return { kind: 'run', from: run.startedAt, waits, work: done.reduce((n, [, s]) => n + s.minutes, 0) }
  }
  return null
}
