import { demandAt, rushPeaks, type DueItem, type RushPeak } from '@tadka/core/duty'
import { instant, type Instant } from '@tadka/core/quantity'
import type { RunState, StationState } from '@tadka/core/procedure'
import type { SiteSet } from '@tadka/core/house'

export interface SheetRun {
  readonly id: string
  readonly from: number
  readonly to: number
  readonly running: boolean
  readonly procedure: string
}

export interface SheetLane {
  readonly station: StationState
  readonly due: readonly DueItem[]
  readonly runs: readonly SheetRun[]
}

/** What lies behind the lanes: the span of time, the demand of its rushes, and the sailings that make them. */
export interface Ground {
  readonly from: Instant
  readonly to: Instant
  readonly sailings: readonly NonNullable<RushPeak['sailing']>[]
  /** How busy it is, every few minutes. */
  readonly tide: readonly { readonly at: number; readonly height: number }[]
}

export interface Sheet extends Ground {
  readonly lanes: readonly SheetLane[]
}

const hour = 3_600_000
/** A rush whose peak is farther off is not seen. */
const reach = 4 * hour
const before = 2 * hour
const after = 7.5 * hour
const tideEvery = 240_000

export function groundOf(site: SiteSet, from: Instant, to: Instant): Ground {
  const peaks = rushPeaks(site, instant(from - reach), instant(to + reach))
  const sailings = peaks.flatMap((p) => p.sailing ?? [])
  const tide = Array.from({ length: Math.ceil((to - from) / tideEvery) + 1 }, (_, i) => {
    const at = instant(Math.min(to, from + i * tideEvery))
    return { at, height: demandAt(peaks, at) }
  })
  return { from, to, tide, sailings: sailings.filter((s) => s.at >= from && s.at <= to) }
}

/** Nine hours and a half around now: what may be done when, what was done, and the tide behind it. */
export function sheetOf(
  site: SiteSet,
  stations: readonly StationState[],
  due: readonly DueItem[],
  runs: readonly RunState[],
  now: Instant,
): Sheet {
  const start = Math.floor((now - before) / (hour / 2)) * (hour / 2)
  const ground = groundOf(site, instant(start), instant(start + before + after))
  const { from, to } = ground
  const lanes = stations
    .filter((s) => (s.plate?.duties.length ?? 0) > 0)
    .map((station) => ({
      station,
      due: due.filter((d) => d.station === station.id && d.latest > from && d.earliest < to),
      runs: runs
        .filter((r) => r.station === station.id && r.status !== 'abandoned' && (r.endedAt ?? now) > from)
        .map((r) => ({
          id: r.id,
          from: Math.max(from, r.startedAt),
          to: r.endedAt ?? now,
          running: r.endedAt === null,
          procedure: r.procedure.id,
        })),
    }))
  return { ...ground, lanes }
}

/** Half-hours on the sheet, for its rule. */
export const halfHours = (sheet: Ground): number[] =>
  Array.from(
    { length: Math.floor((sheet.to - sheet.from) / (hour / 2)) },
    (_, i) => sheet.from + (i + 1) * (hour / 2),
  )
