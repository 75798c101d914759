import { dateAfter, instantAt } from '../calendar/index.ts'
import type { RosterSet } from '../house/index.ts'
import type { RunState } from '../procedure/index.ts'
import type { RefusalCode } from '../refusal/index.ts'
import type { Standing } from './standing.ts'

/** Who comes a little early, and who stays to the end of a run, is on shift still. */
const slackMs = 45 * 60_000

/**
 * Whether somebody is on shift at an instant. @param rosters of that trading day and the one before it.
 * @param at milliseconds UTC. @param timeZone IANA.
 */
export const isOnShift = (
  person: string,
  rosters: readonly RosterSet[],
  at: number,
  timeZone: string,
): boolean =>
  rosters.some(({ day, shifts }) =>
    shifts.some(
      (s) =>
        s.person === person &&
        s.away !== true &&
        instantAt(day, s.from, timeZone) - slackMs <= at &&
        instantAt(s.to <= s.from ? dateAfter(day, 1) : day, s.to, timeZone) + slackMs >= at,
    ),
  )

/** What is known when somebody says that they stand by. */
export interface StandsBy {
  readonly run: RunState
  readonly learner: string
  readonly watcher: string
  readonly standing: Standing
  readonly onShift: boolean
}

/** Why somebody does not count as standing by at a run; null where they do. */
export function standsByFault({ run, learner, watcher, standing, onShift }: StandsBy): RefusalCode | null {
  if (run.status !== 'running' && run.status !== 'parked') return 'watch_run_over'
  if (watcher === learner) return 'watch_self'
  const workers = new Set([run.startedBy, run.lastBy])
  if (!workers.has(learner)) return 'watch_not_working'
  if (standing.may !== 'alone') return 'watch_not_signed_off'
  return onShift ? null : 'watch_not_on_shift'
}

/** Whether a learner saw a run done: finished, in the hands of who says so, who might do it alone when it began. @param by who says so. */
export const countsAsShown = (run: RunState, by: string): boolean =>
  run.learner !== by && countsAsDone(run, by)

/** Whether a run counts as done under somebody's eyes: finished, and most of its steps were the learner's own. */
export function countsAsDone(run: RunState, learner: string): boolean {
  const steps = Object.values(run.done)
  const own = steps.filter((s) => s.by === learner).length
  return run.status === 'finished' && !run.entered && own * 2 > steps.length
}
