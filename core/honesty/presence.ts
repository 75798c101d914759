import type { Entry, Looked, Question } from './entry.ts'
import { about, groupsBy } from './repeats.ts'

/** Nobody is in two areas within so few seconds, on two tablets. */
const walkSeconds = 20
/** Whoever comes early or stays late is on shift; ms. */
const graceMs = 90 * 60_000
/** So many entries outside of it before anybody is asked. */
const fewestOutside = 3
const dayMs = 86_400_000

/** One person at two tablets in two areas, seconds apart. */
export function twoPlaces(entries: readonly Entry[]): Question[] {
  return groupsBy(entries, (e) => e.person).flatMap((own): Question[] => {
    const sorted = own.filter((e) => e.area !== '' && e.what.kind !== 'run').toSorted((a, b) => a.at - b.at)
    return sorted.flatMap((e, i): Question[] => {
      const before = sorted[i - 1]
      if (!before || before.area === e.area || before.tablet === e.tablet) return []
      const seconds = (e.at - before.at) / 1000
      if (seconds > walkSeconds) return []
      return [{ ...about([before, e]), kind: 'two-places', seconds, areas: [before.area, e.area] }]
    })
  })
}

/** Entries of somebody who was not on shift, on a day that has a roster. One question a person and day. */
export function notOnShift({ entries, shifts, rostered }: Looked): Question[] {
  const near = (at: number) => rostered.some((d) => at >= d.from && at < d.to)
  const isOn = (e: Entry) =>
    shifts.some((s) => s.person === e.person && e.at >= s.from - graceMs && e.at <= s.to + graceMs)
  const outside = entries.filter((e) => near(e.at) && !isOn(e))
  return groupsBy(outside, (e) => `${e.person} ${Math.floor(e.at / dayMs)}`).flatMap((own): Question[] =>
    own.length < fewestOutside ? [] : [{ ...about(own), kind: 'not-on-shift', entries: own.length }],
  )
}
