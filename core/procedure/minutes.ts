import { median } from 'simple-statistics'
import { groupedBy } from '../stream/grouped.ts'
import { handsOn } from './segments.ts'
import type { Procedure } from './language.ts'
import { outline } from './outline.ts'
import type { RunState } from './run-state.ts'

/** Minutes that a step took, and who did it. */
export interface MinutesTaken {
  readonly step: string
  readonly by: string
  readonly minutes: number
}

/**
 * Minutes that each step of a run really took, from the step before it to its end, by the step's id, and who did it; the timers of
 * waits left out, and steps taken over from somebody else.
 */
export function minutesTaken(procedure: Procedure, run: RunState): MinutesTaken[] {
  const done = outline(procedure, run)
    .flatMap((p) => {
      const d = run.done[p.key]
      return p.kind === 'step' && d
        ? [{ p: p.step, key: p.key, lane: p.lane?.key ?? '', at: d.at, by: d.by }]
        : []
    })
    .toSorted((a, b) => a.at - b.at)
  return done.flatMap(({ p, lane, at, by }, i) => {
    if (p.kind === 'wait' || p.kind === 'tend') return []
    const before = done.slice(0, i).findLast((d) => d.lane === lane || d.lane === '' || lane === '')
    // Between two people's steps lies the handing over, not work.
    if (before && before.by !== by) return []
    return [{ step: p.id, by, minutes: (at - (before?.at ?? run.startedAt)) / 60_000 }]
  })
}

/** Runs whose own median weighs as much as what it is drawn toward. */
const halfWeight = 4
/** Somebody's own minutes for a step are told from so many of their runs on. */
const enoughRuns = 5

/** Minutes by step that a site takes, and, by person, the steps for which somebody's own differ. */
export interface Learned {
  readonly site: Readonly<Record<string, number>>
  readonly people: Readonly<Record<string, Readonly<Record<string, number>>>>
}

/**
 * Minutes that a site takes for each step by its id: the median of its runs, drawn toward the model's estimate while there are
 * few; and those of each person with runs enough of their own, by how far their median is from the site's, drawn toward not at all.
 * Method: shrinkage of the sample median, weight n / (n + 4).
 */
export function learnedMinutes(
  procedure: Procedure,
  taken: readonly MinutesTaken[],
  parameters: Readonly<Record<string, number>>,
): Learned {
  const steps = new Map(
    outline(procedure, { done: {}, parameters }).flatMap((p) =>
      p.kind === 'step' ? [[p.step.id, p.step]] : [],
    ),
  )
  const site: Record<string, number> = {}
  const people: Record<string, Record<string, number>> = {}
  for (const [id, own] of groupedBy(taken, (t) => t.step)) {
    const step = steps.get(id)
    if (!step) continue
    const estimate = handsOn(step, parameters)
    const all = estimate + weightOf(own) * (middleOf(own) - estimate)
    site[id] = whole(all)
    for (const [person, theirs] of groupedBy(own, (t) => t.by)) {
      if (theirs.length < enoughRuns) continue
      const minutes = whole(all + weightOf(theirs) * (middleOf(theirs) - middleOf(own)))
      if (minutes !== site[id]) people[person] = { ...people[person], [id]: minutes }
    }
  }
  return { site, people }
}

const whole = (minutes: number): number => Math.max(1, Math.round(minutes))

type Taken = readonly { readonly minutes: number }[]

const weightOf = (taken: Taken): number => taken.length / (taken.length + halfWeight)

const middleOf = (taken: Taken): number => median(taken.map((t) => t.minutes))
