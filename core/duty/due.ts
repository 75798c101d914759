import { dutiesOf } from './duties.ts'
import { baseOf } from '../procedure/own.ts'
import { cleanedSince, isClosed, isOut } from '../procedure/station-closed.ts'
import { instant, type Instant } from '../quantity/index.ts'
import { closedKey, type LastRun, type StationState } from '../procedure/station-state.ts'
import type { SiteSet } from '../house/site.ts'
import type { StationDuty } from '../house/station.ts'
import { dateAfter, dateAt, tradingDays } from '../calendar/index.ts'
import { counted, recurringOn, type DutyContext, type Prediction, type Window } from './windows.ts'

export type Risk =
  /** Past its latest time: late by the rule. */
  | 'late'
  /** Past the site's own target, not yet late by the rule. */
  | 'past-target'
  /** May be done now. */
  | 'now'
  /** Comes later. */
  | 'ahead'

/** Triggers of the work that each day brings; what comes besides is what a calendar is read for. */
const daily: readonly DueItem['trigger'][] = ['each-close', 'each-open', 'hours', 'reopening']
export const isDaily = (due: Pick<DueItem, 'trigger'>): boolean => daily.includes(due.trigger)

/** One thing that is due: which procedure on which station, between when and when, and by which rule. */
export interface DueItem {
  readonly station: string
  readonly procedure: string
  readonly trigger: StationDuty['trigger']['kind'] | 'reopening'
  readonly rule: string
  readonly day: string
  readonly earliest: Instant
  readonly target: Instant
  readonly latest: Instant
  readonly lastDoneAt: Instant | null
  readonly lastDoneBy: string | null
  /** A machine that is out of service: what brings product waits until it is back. */
  readonly outOfService: boolean
  /** Something went wrong at the site and lasts: nothing is done there until it is over. */
  readonly closed: boolean
  /** Its time is long over, and what it was for has gone by: it stands apart from what can be done now. */
  readonly goneBy: boolean
  /** The run on it now, or null. */
  readonly run: string | null
  readonly risk: Risk
  /** Whole minutes to the latest time; below zero when late. */
  readonly minutesLeft: number
}

/**
 * The next thing due for each duty of each station, most urgent first: an occurrence that was missed and is not yet
 * overtaken by the next, else the one to come.
 * @param now milliseconds UTC. Doing it early (within its window) counts; a run under way is named.
 */
export function dueList(
  site: SiteSet,
  stations: readonly StationState[],
  now: Instant,
  predictions: readonly Prediction[] = [],
): DueItem[] {
  const days = tradingDays(site, dateAfter(dateAt(now, site.timeZone), -9), 24)
  const context: DutyContext = { site, days, now, predictions }
  return stations
    .filter((station) => station.laidUp === null)
    .flatMap((station) => [
      ...reopenings(station, context),
      ...dutiesOf(station).flatMap((duty) => nextDue(station, duty, context) ?? []),
    ])
    .toSorted(
      (a, b) =>
        Number(a.goneBy) - Number(b.goneBy) ||
        order[a.risk] - order[b.risk] ||
        a.latest - b.latest ||
        (a.station < b.station ? -1 : 1),
    )
    .filter((item, i, all) => !all.slice(0, i).some((sooner) => servesBoth(sooner, item, now)))
}

/** Whether a job done while it is due serves another of the same procedure, too: what falls due twice is done once. */
const servesBoth = (a: DueItem, b: DueItem, now: Instant): boolean =>
  a.station === b.station &&
  a.procedure === b.procedure &&
  !a.goneBy &&
  b.earliest <= Math.max(a.latest, now) &&
  a.earliest <= b.latest

/** An opening that was missed this long ago is no job for now. Common practice, no source. */
const goneByMs = 3 * 3_600_000

/** Before a station comes back it is worked through so much: at once where it may be, and within hours. Common practice, no source. */
const reopenWithinMs = 4 * 3_600_000

/** What a station is worked through before it comes back after something went wrong, once that is over. */
function reopenings(station: StationState, { site, now }: DutyContext): DueItem[] {
  const { closures = [], id } = station
  return closures.flatMap((closure) => {
    const { over, cleans } = closure
    if (over === null || isClosed(station, null)) return []
    return cleans
      .filter((procedure) => cleanedSince(station, closure, procedure) === null)
      .map((procedure): DueItem => {
        const window = {
          earliest: instant(over),
          target: instant(over),
          latest: instant(over + reopenWithinMs),
        }
        const last = station.lastRuns[baseOf(procedure)]
        const isOn = station.currentRun?.procedure === baseOf(procedure)
        return {
          ...{
            station: id,
            procedure,
            trigger: 'reopening',
            rule: '',
            day: dateAt(instant(over), site.timeZone),
          },
          ...window,
          ...{ lastDoneAt: last ? instant(last.finishedAt) : null, lastDoneBy: last?.by ?? null },
          ...{ outOfService: true, closed: false, goneBy: false },
          ...{ run: isOn ? (station.currentRun?.run ?? null) : null },
          ...{ risk: riskAt({ day: '', ...window }, now) },
          ...{ minutesLeft: Math.floor((window.latest - now) / 60_000) },
        }
      })
  })
}

const order: Record<Risk, number> = { late: 0, 'past-target': 1, now: 2, ahead: 3 }

function nextDue(station: StationState, duty: StationDuty, context: DutyContext): DueItem | null {
  const last = station.lastRuns[baseOf(duty.procedure)] ?? null
  const windows = recurringOn(station, duty, context.days)?.filter(
    (w) => station.closed[closedKey(duty.procedure, w.day)] === undefined,
  )
  const next = windows ? openWindow(windows, last, context.now) : counted(duty, station, last, context)
  if (!next) return null
  const { now } = context
  const current = station.currentRun?.procedure === baseOf(duty.procedure) ? station.currentRun.run : null
  return {
    station: station.id,
    procedure: duty.procedure,
    trigger: duty.trigger.kind,
    rule: duty.rule,
    ...next,
    lastDoneAt: last ? instant(last.finishedAt) : null,
    lastDoneBy: last?.by ?? null,
    outOfService: isOut(station),
    closed: isClosed(station, null),
    goneBy: duty.trigger.kind === 'each-open' && now > next.latest + goneByMs,
    run: current,
    risk: riskAt(next, now),
    minutesLeft: Math.floor((next.latest - now) / 60_000),
  }
}

/** An occurrence that was missed and is not yet overtaken by the next, else the one to come. */
function openWindow(all: readonly Window[], last: LastRun | null, now: Instant): Window | null {
  return (
    all.find((o, i) => {
      const next = all[i + 1]
      const overtaken = next !== undefined && now >= next.earliest
      return !overtaken && (last === null ? o.latest >= now : last.finishedAt < o.earliest)
    }) ?? null
  )
}

function riskAt(o: Window, now: Instant): Risk {
  if (now > o.latest) return 'late'
  if (now > o.target) return 'past-target'
  return now >= o.earliest ? 'now' : 'ahead'
}

/** Repetitions of one duty that a look ahead follows, at most. */
const mostAhead = 400

/**
 * What falls due between two instants if each duty is done at its target: for a calendar, and for the load of a night.
 * Counts and signs are told as they stand now. @param from, to milliseconds UTC.
 */
export function dueAhead(
  site: SiteSet,
  stations: readonly StationState[],
  from: Instant,
  to: Instant,
  predictions: readonly Prediction[] = [],
): DueItem[] {
  return stations
    .filter((s) => s.laidUp === null)
    .flatMap((station) =>
      dutiesOf(station).flatMap((duty) => repeats(site, station, duty, from, to, predictions)),
    )
    .toSorted((a, b) => a.target - b.target)
}

function repeats(
  site: SiteSet,
  station: StationState,
  duty: StationDuty,
  from: Instant,
  to: Instant,
  predictions: readonly Prediction[],
): DueItem[] {
  const items: DueItem[] = []
  let state = station
  let now = from
  while (items.length < mostAhead) {
    const days = tradingDays(site, dateAfter(dateAt(now, site.timeZone), -9), 24)
    const item = nextDue(state, duty, { site, days, now, predictions })
    if (!item || item.target > to) break
    items.push(item)
    // What comes after it is done nobody has foretold.
    if (duty.trigger.kind === 'predicted') break
    const doneAt = Math.max(item.target, now)
    const counts = Object.fromEntries(Object.entries(state.counts).map(([of, c]) => [of, c.total]))
    const done = { run: '', finishedAt: doneAt, by: '', counts }
    state = { ...state, lastRuns: { ...state.lastRuns, [baseOf(duty.procedure)]: done }, signs: [] }
    now = instant(Math.max(now, doneAt) + 1)
  }
  return items
}
