import { departures, tideAt, type Departure, type DueItem } from '@tadka/core/duty'
import { instant, type Instant } from '@tadka/core/quantity'
import type { RunState, StationState } from '@tadka/core/procedure'
import type { SiteSet } from '@tadka/core/record'

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

export interface Sheet {
  readonly from: Instant
  readonly to: Instant
  readonly lanes: readonly SheetLane[]
  readonly sailings: readonly Departure[]
  /** How busy it is, every few minutes. */
  readonly tide: readonly { readonly at: number; readonly height: number }[]
}

const hour = 3_600_000
const before = 2 * hour
const after = 7.5 * hour
const tideEvery = 240_000

/** Nine hours and a half around now: what may be done when, what was done, and the tide behind it. */
export function sheetOf(
  site: SiteSet,
  stations: readonly StationState[],
  due: readonly DueItem[],
  runs: readonly RunState[],
  now: Instant,
): Sheet {
  const start = Math.floor((now - before) / (hour / 2)) * (hour / 2)
  const [from, to] = [instant(start), instant(start + before + after)]
  const sailings = departures(site, instant(from - hour), instant(to + hour))
  const tide = Array.from({ length: Math.ceil((to - from) / tideEvery) + 1 }, (_, i) => {
    const at = instant(Math.min(to, from + i * tideEvery))
    return { at, height: tideAt(sailings, at) }
  })
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
  return { from, to, lanes, sailings: sailings.filter((s) => s.at >= from && s.at <= to), tide }
}

/** Half-hours on the sheet, for its rule. */
export const halfHours = (sheet: Sheet): number[] =>
  Array.from(
    { length: Math.floor((sheet.to - sheet.from) / (hour / 2)) },
    (_, i) => sheet.from + (i + 1) * (hour / 2),
  )
