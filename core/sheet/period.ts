import type { Verdict } from '../rules/index.ts'
import type { DaySheet } from './day-sheet.ts'
import type { ReadingLine, RunLine } from './lines.ts'

/** What a station did over some days. */
export interface StationPeriod {
  readonly station: string
  readonly cleanings: number
  /** Readings that stand, those of its runs among them. */
  readonly readings: number
  readonly notIn: number
  readonly racks: number
  /** The last cleaning that was finished. */
  readonly last: RunLine | null
}

const stands = (r: ReadingLine): r is ReadingLine & { verdict: Verdict } => r.verdict !== null

/** Every reading of a day, once, in the order of their times. */
export function readingsOf(sheet: DaySheet): ReadingLine[] {
  const all = [
    ...sheet.stations.flatMap((s) => [...s.readings, ...s.runs.flatMap((r) => r.readings)]),
    ...sheet.readings,
    ...sheet.baths.flatMap((b) => b.readings),
  ]
  const once = new Map(all.map((r) => [r.record, r]))
  return [...once.values()].toSorted((a, b) => a.at - b.at || a.seq - b.seq)
}

/** Each station over some days, in the order in which sheets have them. @param days the earliest first. */
export function stationPeriods(days: readonly DaySheet[]): StationPeriod[] {
  const found = new Map<string, StationPeriod>()
  for (const day of days)
    for (const s of day.stations) {
      const before = found.get(s.station)
      const readings = [...s.readings, ...s.runs.flatMap((r) => r.readings)].filter(stands)
      const finished = s.runs.filter(
        (r) => r.to !== null && r.exceptions.every((e) => e.what !== 'abandoned'),
      )
      found.set(s.station, {
        station: s.station,
        cleanings: (before?.cleanings ?? 0) + s.runs.length,
        readings: (before?.readings ?? 0) + readings.length,
        notIn: (before?.notIn ?? 0) + readings.filter((r) => r.verdict !== 'in').length,
        racks: (before?.racks ?? 0) + (s.cycles?.points.length ?? 0),
        last: finished.at(-1) ?? before?.last ?? null,
      })
    }
  return [...found.values()]
}

/** A sheet with only these stations; with all of it where none are named. */
export function onlyOf(sheet: DaySheet, stations: readonly string[]): DaySheet {
  if (stations.length === 0) return sheet
  const here = (station: string | null | undefined) =>
    typeof station === 'string' && stations.includes(station)
  return {
    ...sheet,
    stations: sheet.stations.filter((s) => here(s.station)),
    cases: sheet.cases.filter((c) => here(c.station)),
    left: sheet.left.filter((l) => 'station' in l && here(l.station)),
    baths: sheet.baths.filter((b) => here(b.mixed.station)),
    readings: [],
    checks: [],
    happened: sheet.happened.filter((h) => h.about.stations.some(here)),
  }
}
