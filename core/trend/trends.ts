import { median } from 'simple-statistics'
import { dateAfter, hourAt, weekdayOf } from '../calendar/index.ts'
import { instant } from '../quantity/index.ts'
import { readingsOf, type DaySheet } from '../sheet/index.ts'
import { groupedBy } from '../stream/grouped.ts'
import { controlChart, type ChartPoint, type ControlChart } from './control-chart.ts'

/** Solutions of one product for one use, mixed with one tool: the first strip of each. */
export interface SolutionTrend {
  readonly product: string
  readonly productName: string
  readonly use: string | null
  readonly tool: string
  /** ppm, in the middle of what the strip shows. */
  readonly points: readonly ChartPoint[]
  readonly chart: ControlChart | null
}

/** How often one kind of check failed at one station. */
export interface CheckTrend {
  readonly station: string | null
  readonly what: string
  readonly readings: number
  /** Out of range, too close to call or not to be told. */
  readonly failed: number
  /** The three hours of the day in which most failed, by the hour that they begin with, where that is two and more. */
  readonly mostly: number | null
}

/** Corrective actions of one kind that have ended: how long they were open. */
export interface CaseTrend {
  /** What was read, or `by-hand`. */
  readonly what: string
  readonly ended: number
  readonly open: number
  /** Minutes from opened to ended; null where none has ended. */
  readonly medianMinutes: number | null
  readonly longestMinutes: number | null
}

/** What one procedure took at one station, month by month. */
export interface WorkTrend {
  readonly station: string
  readonly procedure: string
  readonly months: readonly {
    /** YYYY-MM */
    readonly month: string
    readonly cleanings: number
    /** Minutes from a cleaning's begin to its end, its waits counted. */
    readonly medianMinutes: number
  }[]
}

/** What was late or not done, week by week. */
export interface LateTrend {
  /** The Monday that it begins with, ISO date. */
  readonly week: string
  readonly days: number
  readonly late: number
  readonly notDone: number
}

export interface Trends {
  readonly solutions: readonly SolutionTrend[]
  readonly checks: readonly CheckTrend[]
  readonly cases: readonly CaseTrend[]
  readonly work: readonly WorkTrend[]
  readonly late: readonly LateTrend[]
}

const minuteMs = 60_000
/** How many hours are told as one time of the day. */
export const hoursTogether = 3

const grouped = <T, V>(all: readonly T[], key: (one: T) => string, of: (group: readonly T[]) => V): V[] =>
  [...groupedBy(all, key).values()].map(of)

/** How strong what was mixed is, tool by tool; what has most readings first. */
function solutionsOf(days: readonly DaySheet[]): SolutionTrend[] {
  const first = days
    .flatMap((d) => d.baths)
    .flatMap(({ mixed, readings }) => {
      const read = readings.find((r) => r.verdict !== null)
      if (read?.reading.what !== 'sanitizer' || !read.reading.reading.strength) return []
      const { lo, hi } = read.reading.reading.strength
      // Off the end of a strip nobody knows how strong it is.
      if (lo === null || hi === null) return []
      return [{ mixed, point: { at: read.at, value: (lo + hi) / 2 }, finest: hi - lo }]
    })
  return grouped(
    first,
    ({ mixed }) => `${mixed.product} ${mixed.use ?? ''} ${mixed.tool}`,
    (group): SolutionTrend => {
      const points = group.map((g) => g.point).toSorted((a, b) => a.at - b.at)
      const { product, productName, use, tool } = group[0]?.mixed ?? {
        product: '',
        productName: '',
        tool: '',
      }
      return {
        ...{ product, productName, tool },
        use: use ?? null,
        points,
        chart: controlChart(points, median(group.map((g) => g.finest))),
      }
    },
  ).toSorted((a, b) => b.points.length - a.points.length)
}

/** The hour that those three begin with in which most of these instants lie, in a zone; null where no two lie together. */
function mostlyFrom(at: readonly number[], timeZone: string): number | null {
  const hours = at.map((ms) => hourAt(instant(ms), timeZone))
  const within = (from: number) => hours.filter((h) => (h - from + 24) % 24 < hoursTogether).length
  const [best = 0] = Array.from({ length: 24 }, (_, from) => from).toSorted((a, b) => within(b) - within(a))
  return within(best) < 2 ? null : best
}

function checksOf(days: readonly DaySheet[], timeZone: string): CheckTrend[] {
  const judged = days.flatMap(readingsOf).filter((r) => r.verdict !== null)
  return grouped(
    judged,
    (r) => `${r.reading.station} ${r.reading.what}`,
    (group): CheckTrend => {
      const failed = group.filter((r) => r.verdict !== 'in')
      return {
        station: group[0]?.reading.station ?? null,
        what: group[0]?.reading.what ?? '',
        ...{
          readings: group.length,
          failed: failed.length,
          mostly: mostlyFrom(
            failed.map((r) => r.at),
            timeZone,
          ),
        },
      }
    },
  ).toSorted((a, b) => b.failed - a.failed || b.readings - a.readings)
}

function casesOf(days: readonly DaySheet[]): CaseTrend[] {
  const once = new Map(days.flatMap((d) => d.cases).map((c) => [c.id, c]))
  return grouped(
    [...once.values()],
    (c) => c.what ?? 'by-hand',
    (group): CaseTrend => {
      const took = group.flatMap((c) => (c.closedAt === null ? [] : [(c.closedAt - c.openedAt) / minuteMs]))
      return {
        what: group[0]?.what ?? 'by-hand',
        ended: took.length,
        open: group.filter((c) => c.status === 'open').length,
        medianMinutes: took.length > 0 ? median(took) : null,
        longestMinutes: took.length > 0 ? Math.max(...took) : null,
      }
    },
  ).toSorted((a, b) => b.ended + b.open - a.ended - a.open)
}

function workOf(days: readonly DaySheet[]): WorkTrend[] {
  const runs = days.flatMap((d) =>
    d.stations.flatMap((s) =>
      s.runs
        // What was entered later, stopped or not finished says nothing of how long it takes.
        .filter((r) => !r.exceptions.some((e) => e.what === 'entered' || e.what === 'abandoned'))
        .flatMap((r) =>
          r.to === null ? [] : [{ ...r, month: d.day.slice(0, 7), took: (r.to - r.from) / minuteMs }],
        ),
    ),
  )
  return grouped(
    runs,
    (r) => `${r.station} ${r.procedure}`,
    (group): WorkTrend => ({
      station: group[0]?.station ?? '',
      procedure: group[0]?.procedure ?? '',
      months: grouped(
        group,
        (r) => r.month,
        (of) => ({
          month: of[0]?.month ?? '',
          cleanings: of.length,
          medianMinutes: median(of.map((r) => r.took)),
        }),
      ).toSorted((a, b) => a.month.localeCompare(b.month)),
    }),
  ).toSorted((a, b) => a.station.localeCompare(b.station) || a.procedure.localeCompare(b.procedure))
}

/** The Monday of a day's week. @param day ISO date. */
const mondayOf = (day: string): string => dateAfter(day, 1 - weekdayOf(day))

const lateOf = (days: readonly DaySheet[]): LateTrend[] =>
  grouped(
    days,
    (d) => mondayOf(d.day),
    (week): LateTrend => {
      const left = week.flatMap((d) => d.left)
      return {
        week: mondayOf(week[0]?.day ?? ''),
        days: week.length,
        late: left.filter((l) => l.what === 'late').length,
        notDone: left.filter((l) => l.what === 'not-done' || l.what === 'closed').length,
      }
    },
  ).toSorted((a, b) => a.week.localeCompare(b.week))

/**
 * What some days tell of how things go: of machines, mixes and checks, never of who is quick. @param days the earliest first.
 * @param timeZone of the site, IANA.
 */
export const trendsOf = (days: readonly DaySheet[], timeZone: string): Trends => ({
  solutions: solutionsOf(days),
  checks: checksOf(days, timeZone),
  cases: casesOf(days),
  work: workOf(days),
  late: lateOf(days),
})
