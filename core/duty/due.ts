import { instant, type Instant } from '../quantity/index.ts'
import type { StationState } from '../procedure/index.ts'
import type { SiteSet, StationDuty } from '../record/house.ts'
import { dateAfter, dateAt, tradingDays, type TradingDay } from './trading-day.ts'

export type Risk =
  /** Past its latest time: late by the rule. */
  | 'late'
  /** Past the site's own target, not yet late by the rule. */
  | 'past-target'
  /** May be done now. */
  | 'now'
  /** Comes later. */
  | 'ahead'

/** One thing that is due: which procedure on which station, between when and when, and by which rule. */
export interface DueItem {
  readonly station: string
  readonly procedure: string
  readonly trigger: StationDuty['trigger']['kind']
  readonly rule: string
  readonly day: string
  readonly earliest: Instant
  readonly target: Instant
  readonly latest: Instant
  readonly lastDoneAt: Instant | null
  readonly lastDoneBy: string | null
  /** The run on it now, or null. */
  readonly run: string | null
  readonly risk: Risk
  /** Whole minutes to the latest time; below zero when late. */
  readonly minutesLeft: number
}

/** Minutes before and after opening or closing within which the work belongs. Common practice, no source. */
const windows = {
  'each-close': { earliest: -180, target: 45, latest: 120 },
  'each-open': { earliest: -240, target: -30, latest: 0 },
} as const

const shifted = (at: Instant, minutes: number): Instant => instant(at + minutes * 60_000)

function occurrence(day: TradingDay, kind: StationDuty['trigger']['kind']) {
  const at = kind === 'each-close' ? day.closes : day.opens
  const w = windows[kind]
  return {
    day: day.date,
    earliest: shifted(at, w.earliest),
    target: shifted(at, w.target),
    latest: shifted(at, w.latest),
  }
}

/**
 * The next thing due for each duty of each station, most urgent first: an occurrence that was missed and is not yet
 * overtaken by the next, else the one to come.
 * @param now milliseconds UTC. Doing it early (within its window) counts; a run under way is named.
 */
export function dueList(site: SiteSet, stations: readonly StationState[], now: Instant): DueItem[] {
  const days = tradingDays(site, dateAfter(dateAt(now, site.timeZone), -2), 12)
  return stations
    .flatMap((station) =>
      (station.plate?.duties ?? []).flatMap((duty) => nextDue(station, duty, days, now) ?? []),
    )
    .toSorted(
      (a, b) => order[a.risk] - order[b.risk] || a.latest - b.latest || (a.station < b.station ? -1 : 1),
    )
}

const order: Record<Risk, number> = { late: 0, 'past-target': 1, now: 2, ahead: 3 }

function nextDue(station: StationState, duty: StationDuty, days: TradingDay[], now: Instant): DueItem | null {
  const last = station.lastRuns[duty.procedure] ?? null
  const all = days.map((day) => occurrence(day, duty.trigger.kind))
  const open = all.filter((o, i) => {
    const overtaken = all[i + 1] !== undefined && now >= (all[i + 1]?.earliest ?? 0)
    return !overtaken && (last === null ? o.latest >= now : last.finishedAt < o.earliest)
  })
  const next = open[0]
  if (!next) return null
  const current = station.currentRun?.procedure === duty.procedure ? station.currentRun.run : null
  return {
    station: station.id,
    procedure: duty.procedure,
    trigger: duty.trigger.kind,
    rule: duty.rule,
    ...next,
    lastDoneAt: last ? instant(last.finishedAt) : null,
    lastDoneBy: last?.by ?? null,
    run: current,
    risk: riskAt(next, now),
    minutesLeft: Math.floor((next.latest - now) / 60_000),
  }
}

function riskAt(o: { earliest: Instant; target: Instant; latest: Instant }, now: Instant): Risk {
  if (now > o.latest) return 'late'
  if (now > o.target) return 'past-target'
  return now >= o.earliest ? 'now' : 'ahead'
}
