import type { Entry, Looked, QuestionKind } from '../../honesty/index.ts'
import { dice, people } from './honest.ts'

/** Ways in which people fill a log in, written from what such logs look like, with no regard to how they are looked for. */
const [minute, day] = [60_000, 86_400_000]
const faker = people[1] ?? ''

type Fake = (log: Looked, seed: number) => Looked
const changing =
  (of: (e: Entry, d: ReturnType<typeof dice>) => Entry): Fake =>
  (log, seed) => {
    const d = dice(seed)
    return { ...log, entries: log.entries.map((e) => (e.person === faker ? of(e, d) : e)) }
  }

/** Always the block that is right, whatever the strip shows; now and then another, so that it does not look so. */
const sameStrip = changing((e, d) =>
  e.what.kind === 'strip' && e.what.like !== 'dispenser' && d.random() < 0.96
    ? { ...e, what: { ...e.what, block: e.what.like === 'bucket' ? '200' : '100' } }
    : e,
)
/** Temperatures out of the head: 3, 4, 3, sometimes 3.5. */
const wholeDegrees = changing((e, d) =>
  e.what.kind === 'number' && d.random() < 0.95
    ? { ...e, what: { ...e.what, like: 'cold soft', value: 3 + Math.floor(d.random() * 2) } }
    : e.what.kind === 'number'
      ? { ...e, what: { ...e.what, like: 'cold soft' } }
      : e,
)
/** Nothing all evening, then everything before going home, a tap every few seconds. */
const atTheEnd: Fake = (log, seed) => {
  const d = dice(seed)
  const last = new Map<number, number>()
  for (const e of log.entries)
    if (e.person === faker)
      last.set(Math.floor(e.at / day), Math.max(last.get(Math.floor(e.at / day)) ?? 0, e.at))
  const tapped = new Map<number, number>()
  const entries = log.entries.map((e) => {
    if (e.person !== faker || e.what.kind !== 'step') return e
    const date = Math.floor(e.at / day)
    const at = (tapped.get(date) ?? (last.get(date) ?? 0) + 5 * minute) + d.between(3000, 14_000)
    tapped.set(date, at)
    return { ...e, at }
  })
  return { ...log, entries }
}
/** Runs tapped through while something else is done. */
const cutShort = changing((e, d) => {
  if (e.what.kind !== 'run' || d.random() < 0.3) return e
  const took = e.what.waits * minute * d.between(0.1, 0.7)
  return { ...e, what: { ...e.what, from: e.at - took } }
})
/** One PIN on two tablets: somebody else taps under this name at the same time. */
const lentName: Fake = (log, seed) => {
  const d = dice(seed)
  const own = log.entries.filter((e) => e.person === faker && e.area === 'Kiosk' && e.what.kind === 'step')
  const others = own
    .filter(() => d.random() < 0.4)
    .map((e, i) => ({
      ...e,
      ...{ record: `lent-${i}`, tablet: 'tablet-Galley', station: 'batch', area: 'Galley' },
      at: e.at + d.between(1000, 15_000),
    }))
  return { ...log, entries: [...log.entries, ...others] }
}
/** Entries on days off. */
const daysOff: Fake = (log, seed) => {
  const d = dice(seed)
  const free = Array.from({ length: 14 }, (_, date) => date).filter(
    (date) => !log.shifts.some((s) => s.person === faker && Math.floor(s.from / day) === date),
  )
  const made = free.slice(0, 3).flatMap((date) =>
    Array.from({ length: 4 + Math.floor(d.random() * 4) }, (_, i): Entry => ({
      ...{ record: `off-${date}-${i}`, person: faker, tablet: 'tablet-Bar', station: 'bar', area: 'Bar' },
      at: date * day + (17 + d.random() * 3) * 60 * minute,
      what: { kind: 'step', minutes: 3 },
    })),
  )
  return { ...log, entries: [...log.entries, ...made] }
}

export const fakes: Readonly<Record<QuestionKind, Fake>> = {
  'always-the-same': sameStrip,
  'round-numbers': wholeDegrees,
  'all-at-once': atTheEnd,
  'shorter-than-its-waits': cutShort,
  'two-places': lentName,
  'not-on-shift': daysOff,
}
export const whoFakes = faker
