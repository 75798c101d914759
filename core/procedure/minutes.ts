import { handsOn } from './segments.ts'
import type { Procedure } from './language.ts'
import { outline } from './outline.ts'
import type { RunState } from './run.ts'

/** Minutes that each step of a run really took, from the step before it to its end, by the step's id; the timers of waits left out. */
export function minutesTaken(
  procedure: Procedure,
  run: RunState,
): { readonly step: string; readonly minutes: number }[] {
  const done = outline(procedure, run)
    .flatMap((p) => {
      const d = run.done[p.key]
      return p.kind === 'step' && d ? [{ p: p.step, key: p.key, lane: p.lane?.key ?? '', at: d.at }] : []
    })
    .toSorted((a, b) => a.at - b.at)
  return done.flatMap(({ p, lane, at }, i) => {
    if (p.kind === 'wait' || p.kind === 'tend') return []
    const before = done.slice(0, i).findLast((d) => d.lane === lane || d.lane === '' || lane === '')
    return [{ step: p.id, minutes: (at - (before?.at ?? run.startedAt)) / 60_000 }]
  })
}

/** Runs whose own median weighs as much as the model's estimate. */
const halfWeight = 4

/**
 * Minutes that a site takes for each step by its id: the median of its runs, drawn toward the model's estimate while there are
 * few. Method: shrinkage of the sample median, weight n / (n + 4).
 */
export function learnedMinutes(
  procedure: Procedure,
  runs: readonly RunState[],
  parameters: Readonly<Record<string, number>>,
): Record<string, number> {
  const taken = new Map<string, number[]>()
  for (const run of runs)
    for (const { step, minutes } of minutesTaken(procedure, run))
      taken.set(step, [...(taken.get(step) ?? []), minutes])
  const steps = new Map(
    outline(procedure, { done: {}, parameters }).flatMap((p) =>
      p.kind === 'step' ? [[p.step.id, p.step]] : [],
    ),
  )
  return Object.fromEntries(
    [...taken].flatMap(([id, all]) => {
      const step = steps.get(id)
      if (!step) return []
      const sorted = all.toSorted((a, b) => a - b)
      const middle =
        (sorted[Math.floor((sorted.length - 1) / 2)] ?? 0) / 2 +
        (sorted[Math.ceil((sorted.length - 1) / 2)] ?? 0) / 2
      const weight = all.length / (all.length + halfWeight)
      const minutes = weight * middle + (1 - weight) * handsOn(step, parameters)
      return [[id, Math.max(1, Math.round(minutes))]]
    }),
  )
}
