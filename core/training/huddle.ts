import type { CaseState } from '../case/index.ts'
import { baseOf, type RunState } from '../procedure/index.ts'
import type { TrainingGap } from './gaps.ts'

/** What a shift can be told in two minutes before it begins. */
export const huddleTopics = [
  'strength',
  'rinse',
  'cold-food',
  'water',
  'forbidden-act',
  'not-sanitized',
  'part-lost',
  'few-know',
] as const
export type HuddleTopic = (typeof huddleTopics)[number]

/** A lesson that a shift was told, and who was there. */
export interface HuddleHeld {
  /** The site's trading day, ISO date. */
  readonly day: string
  readonly topic: HuddleTopic
  /** What few people know; null where it is about what went wrong. */
  readonly procedure: string | null
  /** Where it went wrong last; null where it was at no station, or is what few know. */
  readonly station: string | null
  /** Who was there, by id. */
  readonly there: readonly string[]
}

/** A lesson that would fit tonight. */
export interface HuddleLesson extends Pick<HuddleHeld, 'topic' | 'procedure' | 'station'> {
  /** How often it went wrong lately, and when last, milliseconds UTC; null where few know it. */
  readonly wrong: { readonly times: number; readonly last: number } | null
  /** Who may do it alone; empty where it is about what went wrong. */
  readonly people: readonly string[]
}

export interface HuddleKnown {
  readonly cases: readonly CaseState[]
  readonly runs: readonly RunState[]
  readonly gaps: readonly TrainingGap[]
  /** What was told before, with when. */
  readonly held: readonly (HuddleHeld & { readonly at: number })[]
}

/** Days that are looked back on; what was told within them is not told again, unless it went wrong since. Common practice, no source. */
export const huddleDays = 14
const dayMs = 86_400_000

const ofReading = {
  sanitizer: 'strength',
  'dish-machine': 'rinse',
  'cold-product': 'cold-food',
  'wash-water': 'water',
  'hot-water': 'water',
  'forbidden-act': 'forbidden-act',
} as const satisfies Readonly<Record<string, HuddleTopic>>

interface Wrong {
  readonly topic: HuddleTopic
  readonly station: string | null
  readonly at: number
}

function wentWrong({ cases, runs }: HuddleKnown): Wrong[] {
  const ofCases = cases.flatMap((c): Wrong[] => {
    const topic = c.what === null ? undefined : (ofReading as Readonly<Record<string, HuddleTopic>>)[c.what]
    return c.status === 'void' || topic === undefined ? [] : [{ topic, station: c.station, at: c.openedAt }]
  })
  const ofRuns = runs.flatMap((run): Wrong[] => [
    ...Object.values(run.done)
      .filter((d) => d.overridden)
      .map((d): Wrong => ({ topic: 'not-sanitized', station: run.station, at: d.at })),
    ...(run.stop?.lost === undefined
      ? []
      : [{ topic: 'part-lost', station: run.station, at: run.stop.at } as const]),
  ])
  return [...ofCases, ...ofRuns]
}

/**
 * What fits tonight, the best first: what went wrong oftenest and last within two weeks, and what one person or nobody may do alone.
 * None where nothing went wrong and enough people know everything. @param now milliseconds UTC.
 */
export function huddleLessons(known: HuddleKnown, now: number): HuddleLesson[] {
  const since = now - huddleDays * dayMs
  const wrong = wentWrong(known).filter((w) => w.at > since && w.at <= now)
  const topics = [...new Set(wrong.map((w) => w.topic))].map((topic) => {
    const all = wrong.filter((w) => w.topic === topic).toSorted((a, b) => a.at - b.at)
    const last = all.at(-1)
    const weight = all.reduce((sum, w) => sum + (w.at - since) / (huddleDays * dayMs), 0)
    const lesson: HuddleLesson = {
      ...{ topic, procedure: null, station: last?.station ?? null, people: [] },
      wrong: { times: all.length, last: last?.at ?? now },
    }
    return { lesson, weight }
  })
  const few = known.gaps.map((gap) => ({
    lesson: {
      ...{ topic: 'few-know', procedure: baseOf(gap.procedure), station: null, wrong: null },
      people: gap.people,
    } as const satisfies HuddleLesson,
    weight: gap.people.length === 0 ? fewCounts.none : fewCounts.one,
  }))
  return [...topics, ...few]
    .filter(({ lesson }) => !isTold(known, lesson, since))
    .toSorted((a, b) => b.weight - a.weight)
    .map(({ lesson }) => lesson)
}
/** What nobody, or one person, may do alone counts as much as what went wrong so often just now. */
const fewCounts = { none: 1.6, one: 0.8 } as const

/** Whether it was told lately, and has not gone wrong since. */
const isTold = ({ held }: HuddleKnown, { topic, procedure, wrong }: HuddleLesson, since: number): boolean =>
  held.some(
    (h) =>
      h.at > since && h.topic === topic && h.procedure === procedure && (wrong === null || wrong.last < h.at),
  )
