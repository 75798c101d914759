import { roundsLeft, type RoundLeft } from '../round/due.ts'
import type { RoundState } from '../round/round.ts'
import { tasksMissed, type TaskMissed, type TaskState } from '../task/task.ts'
import { coldUnread } from '../cold/store.ts'
import { dutiesOf } from './duties.ts'
import { closedKey, type StationState } from '../procedure/station-state.ts'
import { overriddenStep, type RunState, type Short } from '../procedure/run-state.ts'
import { baseOf } from '../procedure/own.ts'
import { instant, type Instant } from '../quantity/index.ts'
import type { SiteSet } from '../house/site.ts'
import { coldStore } from '../house/typical.ts'
import { boundsOfDay, dateAfter, tradingDays, type TradingDay } from '../calendar/index.ts'
import { isCloseByHours, recurringOn } from './windows.ts'

/** Something of a day that is not as it should be, with what names it. */
export type DayLeft =
  | { readonly what: 'not-done'; readonly station: string; readonly procedure: string }
  /** With the run that came too late: others of the same procedure were in time. */
  | { readonly what: 'late'; readonly station: string; readonly procedure: string; readonly run: string }
  /** A duty closed with a reason: it stays not done. */
  | { readonly what: 'closed'; readonly station: string; readonly procedure: string; readonly reason: string }
  | ({ readonly what: 'not-sanitized'; readonly station: string; readonly procedure: string } & Short & {
        readonly by: string
        readonly reason: string
      })
  | { readonly what: 'unfinished'; readonly station: string; readonly procedure: string }
  /** Where food is kept cold nobody read it from then to then, ms UTC. */
  | { readonly what: 'not-read'; readonly station: string; readonly from: number; readonly to: number }
  | ({ readonly what: 'round' } & RoundLeft)
  /** Something was to be done by that day, and was not. */
  | ({ readonly what: 'task' } & TaskMissed)
  | { readonly what: 'out-of-service'; readonly station: string }
  | { readonly what: 'case'; readonly station: string | null; readonly case: string }
  | { readonly what: 'amended'; readonly record: string }

/** What a site knows of a day. */
export interface DayKnown {
  readonly site: SiteSet
  readonly stations: readonly StationState[]
  /** Runs that touched the day or the one after it. */
  readonly runs: readonly RunState[]
  /** Corrective actions opened by its end and open still. */
  readonly cases: readonly { readonly id: string; readonly station: string | null }[]
  /** When food was read that is kept cold, by station, ms UTC. Absent: that is not looked at. */
  readonly coldReads?: ReadonlyMap<string, readonly number[]>
  /** Rounds, and what is to be done by a day. Absent: those are not looked at. */
  readonly rounds?: readonly RoundState[]
  readonly tasks?: readonly TaskState[]
  /** Since when a station is in the log, milliseconds UTC: nothing was due on it before. Absent: always. */
  readonly since?: ReadonlyMap<string, number>
}

/**
 * What is not done, late, cut short, open or out of service on a trading day, so that who signs it sees it first. Duties that
 * come back with the days are looked at, and food that is kept cold; what else falls due by hours or counts stands on Shift.
 * @param date ISO date; @param now milliseconds UTC: a window that is still open is not yet missed.
 */
export function dayLeft(known: DayKnown, date: string, now: Instant): DayLeft[] {
  const { site, stations, runs, cases, coldReads } = known
  const { from, to } = boundsOfDay(site, date)
  // Worked out once for all stations: calendars are slow.
  const around = tradingDays(site, dateAfter(date, -8), 17)
  const ofDay = runs.filter((r) => r.startedAt >= from && r.startedAt < to)
  return [
    ...stations.flatMap((s) => dutiesLeft(s, known, { date, from, days: around }, now)),
    ...(coldReads ? stations.flatMap((s) => unreadOf(s, known, coldReads, around, date, now)) : []),
    ...upkeepOf(known, around, date, to, now),
    ...ofDay.flatMap((r) => shortOf(r)),
    ...ofDay.flatMap((r): DayLeft[] =>
      r.status === 'running' || r.status === 'parked' || r.status === 'stopped'
        ? [{ what: 'unfinished', station: r.station, procedure: r.procedure.id }]
        : [],
    ),
    ...stations.flatMap((s): DayLeft[] =>
      outSince(s) < to ? [{ what: 'out-of-service', station: s.id }] : [],
    ),
    ...cases.map((c): DayLeft => ({ what: 'case', station: c.station, case: c.id })),
  ]
}

function upkeepOf(
  { rounds = [], tasks = [] }: DayKnown,
  days: readonly TradingDay[],
  date: string,
  to: Instant,
  now: Instant,
): DayLeft[] {
  const day = days.find((d) => d.date === date)
  const next = days.find((d) => d.date > date)
  const until = next ? next.opens - 3 * 3_600_000 : to
  const left = day ? roundsLeft(rounds, day, until, now) : []
  // While a day lasts what is due on it may still be done.
  const missed = now < to ? [] : tasksMissed(tasks, date, to)
  return [
    ...left.map((r): DayLeft => ({ what: 'round', ...r })),
    ...missed.map((task): DayLeft => ({ what: 'task', ...task })),
  ]
}

function unreadOf(
  { id, plate, laidUp }: StationState,
  { since }: DayKnown,
  reads: ReadonlyMap<string, readonly number[]>,
  days: readonly TradingDay[],
  date: string,
  now: Instant,
): DayLeft[] {
  const day = days.find((d) => d.date === date)
  if (!day || plate?.family !== coldStore || plate.retired || (laidUp && laidUp.since < day.closes)) return []
  return coldUnread(reads.get(id) ?? [], day, since?.get(id) ?? 0, now).map((gap): DayLeft => ({
    what: 'not-read',
    station: id,
    ...gap,
  }))
}

/** Since when it is out of service, ms UTC; never where it is in service. */
const outSince = ({ outOfService, closures = [] }: StationState): number =>
  Math.min(outOfService?.since ?? Infinity, ...closures.map((c) => c.since))

function dutiesLeft(
  station: StationState,
  { runs, since }: DayKnown,
  {
    date,
    from,
    days,
  }: { readonly date: string; readonly from: Instant; readonly days: readonly TradingDay[] },
  now: Instant,
): DayLeft[] {
  if (station.laidUp && station.laidUp.since < from) return []
  return dutiesOf(station).flatMap((duty): DayLeft[] => {
    const windows = recurringOn(station, duty, days)
    const at = windows?.findIndex((w) => w.day === date) ?? -1
    const window = windows?.[at]
    if (!windows || !window || now <= window.target) return []
    if (window.target < (since?.get(station.id) ?? 0)) return []
    // The next day's rounds by the hour are no late close of this one.
    const opens = isCloseByHours(station, duty) ? days.find((d) => d.opens > window.latest)?.opens : undefined
    const until = opens ?? windows[at + 1]?.earliest ?? instant(Number.MAX_SAFE_INTEGER)
    const names = { station: station.id, procedure: duty.procedure }
    const ended = runs
      .filter(
        (r) => r.station === station.id && baseOf(r.procedure.id) === baseOf(duty.procedure) && counts(r),
      )
      .flatMap((r) => (r.endedAt === null ? [] : [{ run: r.id, at: r.endedAt }]))
      .filter(({ at: end }) => end >= window.earliest && end < until)
      .toSorted((a, b) => a.at - b.at)
    const closed = station.closed[closedKey(duty.procedure, date)]
    const [first] = ended
    if (!first)
      return [closed ? { what: 'closed', ...names, reason: closed.reason } : { what: 'not-done', ...names }]
    return first.at > window.latest ? [{ what: 'late', ...names, run: first.run }] : []
  })
}

/** A run does what was due where it was finished, and nothing of it was too short to count. */
const counts = (run: RunState): boolean => run.status === 'finished' && overriddenStep(run) === null

const shortOf = (run: RunState): DayLeft[] =>
  Object.values(run.done).flatMap((d): DayLeft[] =>
    d.overridden && d.short
      ? [
          {
            what: 'not-sanitized',
            station: run.station,
            procedure: run.procedure.id,
            ...d.short,
            by: d.overridden.by,
            reason: d.overridden.reason,
          },
        ]
      : [],
  )
