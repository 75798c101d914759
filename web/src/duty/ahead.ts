import { dateAfter, dateAt, tradingDay, weekdayOf } from '@tadka/core/calendar'
import { dueAhead, isDaily, type DueItem, type Prediction } from '@tadka/core/duty'
import { instant, type Instant } from '@tadka/core/quantity'
import { neededNames, segmentsOf, type Procedure, type StationState } from '@tadka/core/procedure'
import type { SiteSet } from '@tadka/core/house'

export interface AheadItem {
  readonly due: DueItem
  /** Hands-on minutes by the procedure's own estimate; null where its numbers are missing. */
  readonly minutes: number | null
  /** The date on which it is best done: its own day, or of rare work the quietest night of its window. */
  readonly on: string
}

export interface AheadDay {
  readonly date: string
  readonly closed: boolean
  readonly items: readonly AheadItem[]
  readonly minutes: number
  /** Of these, what comes besides the daily work. */
  readonly besides: number
}

/** Daily work makes the floor of each night; what comes besides is what a calendar is read for. */
export const isBesides = (item: AheadItem): boolean => !isDaily(item.due)

const sum = (items: readonly AheadItem[]) => items.reduce((n, a) => n + (a.minutes ?? 0), 0)

/**
 * Weeks of four, from the Monday of the week that `now` lies in: what falls due on each day, and the hands it takes. Work that comes
 * by the months is spread over the quietest nights of its window.
 */
export function aheadOf(
  site: SiteSet,
  stations: readonly StationState[],
  procedureOf: (id: string) => Procedure | null,
  now: Instant,
  weeks = 4,
  predictions: readonly Prediction[] = [],
): AheadDay[] {
  const today = dateAt(now, site.timeZone)
  const first = dateAfter(today, 1 - weekdayOf(today))
  const end = instant(now + (weeks + 1) * 7 * 86_400_000)
  const all = dueAhead(site, stations, now, end, predictions).map((due): AheadItem => ({
    due,
    minutes: minutesOf(due),
    on: due.day,
  }))

  function minutesOf(due: DueItem): number | null {
    const procedure = procedureOf(due.procedure)
    const plate = stations.find((s) => s.id === due.station)?.plate
    if (!procedure || !plate || neededNames(procedure).some((p) => plate.parameters[p] === undefined))
      return null
    const { segments } = segmentsOf(procedure, { parameters: plate.parameters, options: plate.options ?? {} })
    return segments.filter((s) => !s.free).reduce((n, s) => n + s.minutes, 0)
  }

  const dates = Array.from({ length: weeks * 7 }, (_, i) => dateAfter(first, i))
  const trading = dates.filter((d) => d >= today && tradingDay(site, d) !== null)
  const spread = onQuietNights(all, trading, site.timeZone)
  return dates.map((date) => {
    const items = spread.filter((a) => a.on === date)
    return {
      date,
      closed: tradingDay(site, date) === null,
      items,
      minutes: sum(items),
      besides: sum(items.filter(isBesides)),
    }
  })
}

/** Gives rare work, the longest first, to the night of its window that has the least to do. */
function onQuietNights(all: readonly AheadItem[], trading: readonly string[], timeZone: string): AheadItem[] {
  const rare = all.filter((a) => a.due.trigger === 'months')
  const placed = all.filter((a) => a.due.trigger !== 'months')
  for (const item of rare.toSorted((a, b) => (b.minutes ?? 0) - (a.minutes ?? 0))) {
    const from = dateAt(item.due.earliest, timeZone)
    // The last night is kept free: what slips by a day is not late.
    const nights = trading.filter((d) => d >= from && d < item.due.day)
    const load = (date: string) => sum(placed.filter((a) => a.on === date))
    const [quietest] = nights.toSorted((a, b) => load(a) - load(b))
    placed.push({ ...item, on: quietest ?? item.due.day })
  }
  return placed
}
