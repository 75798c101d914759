import type { RunState } from '../procedure/index.ts'
import type { FaultState, Practice } from './fault.ts'

/** What a practice run came to. */
export interface Score {
  /** 0 to 100. */
  readonly points: number
  readonly passed: boolean
  readonly caught: readonly FaultState[]
  readonly missed: readonly FaultState[]
  /** What the run never came to: it ended before, or a wait was ended before it showed. */
  readonly notReached: readonly FaultState[]
}

/** Of a fault that was caught late; a false alarm takes so many points. */
const [lateCounts, alarmCosts] = [0.7, 10]
/** One false alarm is forgiven; who cries wolf has not looked either. */
const alarmsForgiven = 1

/**
 * Scores a practice run: what was caught, how soon, and what was taken for a fault and was none. Passed is a run that came to its
 * end, or was rightly stopped for a technician, with nothing missed.
 */
export function scoreOf(p: Practice, run: Pick<RunState, 'status' | 'stop'>): Score {
  const missed = p.faults.filter((f) => f.missed)
  const caught = p.faults.filter((f) => f.caught !== null && !f.missed)
  const notReached = p.faults.filter((f) => f.caught === null && !f.missed)
  const worth = caught.reduce((sum, f) => sum + (f.caught?.soon ? 1 : lateCounts), 0)
  const of = caught.length + missed.length
  const points = Math.max(0, (of === 0 ? 100 : (100 * worth) / of) - alarmCosts * p.falseAlarms.length)
  const ended =
    run.status === 'finished' ||
    (run.status === 'stopped' &&
      run.stop?.why === 'technician' &&
      caught.some((f) => f.at === run.stop?.step))
  // Who skips a wait has not looked at it.
  const nothingLeft = run.status === 'stopped' || notReached.length === 0
  return {
    points: Math.round(points),
    passed: ended && nothingLeft && missed.length === 0 && p.falseAlarms.length <= alarmsForgiven,
    ...{ caught, missed, notReached },
  }
}
