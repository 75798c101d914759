import type { DayLeft } from '../duty/index.ts'
import type { DaySheet } from './day-sheet.ts'
import { standsOf } from './happened.ts'
import type { HappenedLine, ReadingLine, RunLine } from './lines.ts'
import { readingsOf } from './period.ts'

/** What of a day is looked at before all else. */
export interface Exceptions {
  /** Cleanings, by their beginning, that were cut short, late, entered later, stopped, not finished, or whose checks did not end in range. */
  readonly runs: readonly RunLine[]
  /** Readings that were put right or taken back afterwards. */
  readonly amended: readonly ReadingLine[]
  /** What went wrong of a sudden, and pests that were seen. */
  readonly happened: readonly HappenedLine[]
  /** All of it, with what was not done and the corrective actions: how many. */
  readonly count: number
}

/** What of a day no cleaning and no corrective action tells. */
const ofNoRun: readonly DayLeft['what'][] = [
  'not-done',
  'not-read',
  'round',
  'task',
  'closed',
  'out-of-service',
]

/** What of a day is not as it should be; the rest is routine. */
export function exceptionsOf(sheet: DaySheet): Exceptions {
  const runs = sheet.stations
    .flatMap((s) => s.runs)
    .filter((r) => r.exceptions.length > 0 || (r.verdict !== null && r.verdict !== 'in'))
    .toSorted((a, b) => a.from - b.from)
  const amended = readingsOf(sheet).filter((r) => r.amended)
  const told = new Set(runs.map((r) => r.run))
  // What was late, cut short or failed in a cleaning is told with it, and counts once.
  const cases = sheet.cases.filter((c) => c.run === null || !told.has(c.run))
  const loose = amended.filter((r) => r.reading.run === null || !told.has(r.reading.run))
  const left = sheet.left.filter(({ what }) => ofNoRun.includes(what))
  const happened = sheet.happened.filter(
    (h) => (h.type === 'incident.opened@1' || h.type === 'pest.seen@1') && standsOf(h) !== null,
  )
  const count = runs.length + loose.length + left.length + cases.length + happened.length
  return { runs, amended, happened, count }
}
