import type { AnyRecord } from '../stream/index.ts'
import type { CycleSheet } from './lines.ts'

/** How the racks of a day were judged, and what they read. A cycle that was judged anew counts as it was judged last. */
export function cycleSheet(records: readonly (AnyRecord & { type: 'cycle.judged@1' })[]): CycleSheet {
  const cycles = new Map<string, (typeof records)[number]['payload']>()
  for (const { payload } of records) {
    for (const gone of payload.replaces) cycles.delete(gone)
    cycles.set(payload.cycle, payload)
  }
  const counts = { in: 0, 'too-close': 0, out: 0, 'cannot-tell': 0, 'cut-short': 0 }
  for (const { judgement } of cycles.values()) counts[judgement?.overall ?? 'cut-short']++
  const points = [...cycles.values()].flatMap(({ to, figures, judgement }) =>
    judgement ? [{ at: to, wash: figures.washLow, rinse: figures.rinseLow, verdict: judgement.overall }] : [],
  )
  return { counts, points: points.toSorted((a, b) => a.at - b.at) }
}
