import type { Entry, Question } from './entry.ts'
import { about, groupsBy } from './repeats.ts'

const minuteMs = 60_000
/** A burst is that much planned work at so many stations within so many minutes, and at least so many times quicker than planned. */
const [burstMinutes, burstStations, burstWork, timesQuicker] = [10, 3, 30, 5]
/** A run is asked about below this share of what its waits alone last. */
const ofItsWaits = 0.8

/**
 * Work of several stations, tapped in a few minutes by one person. By when it was entered: a tablet that was out of reach of the network
 * sends hours later what was tapped at its time.
 */
export function allAtOnce(entries: readonly Entry[]): Question[] {
  const steps = entries.flatMap((e) => (e.what.kind === 'step' ? [{ ...e, what: e.what }] : []))
  return groupsBy(steps, (e) => e.person).flatMap((own): Question[] => {
    const sorted = own.toSorted((a, b) => a.at - b.at)
    const found: Question[] = []
    for (let i = 0; i < sorted.length;) {
      const first = sorted[i]
      const burst = sorted.filter((e, k) => k >= i && e.at - (first?.at ?? 0) <= burstMinutes * minuteMs)
      const work = burst.reduce((n, e) => n + e.what.minutes, 0)
      const minutes = ((burst.at(-1)?.at ?? 0) - (first?.at ?? 0)) / minuteMs
      const stations = new Set(burst.map((e) => e.station)).size
      const isBurst =
        stations >= burstStations && work >= burstWork && work > timesQuicker * Math.max(1, minutes)
      if (isBurst) found.push({ ...about(burst), kind: 'all-at-once', stations, minutes, work })
      i += isBurst ? burst.length : 1
    }
    return found
  })
}

/** A cleaning that ended before its waits alone could have. */
export const shorterThanItsWaits = (entries: readonly Entry[]): Question[] =>
  entries.flatMap((e): Question[] => {
    if (e.what.kind !== 'run') return []
    const minutes = (e.at - e.what.from) / minuteMs
    if (minutes >= ofItsWaits * e.what.waits) return []
    return [
      { ...about([e]), from: e.what.from, kind: 'shorter-than-its-waits', minutes, least: e.what.waits },
    ]
  })
