import type { Step } from './language.ts'
import { numberOf } from './parameter.ts'
import type { RunState } from './run-state.ts'

export interface Tending {
  /** Instant (ms UTC) of the next visit, or null where the wait has not begun. */
  readonly nextAt: number | null
  readonly visits: number
  /** The next visit is past its time. */
  readonly late: boolean
}

/** Minutes that a visit may be late before it counts as missed. Common practice, no source. */
const graceMinutes = 1

/** Where a tended wait stands. @param now milliseconds UTC. Throws `parameter_missing`. */
export function tendingOf(
  step: Step & { kind: 'tend' },
  key: string,
  run: Pick<RunState, 'waits' | 'visits' | 'parameters'>,
  now: number,
): Tending {
  const wait = run.waits[key]
  const visits = run.visits[key] ?? []
  if (!wait) return { nextAt: null, visits: visits.length, late: false }
  const every = numberOf(step.every, run.parameters) * 60_000
  const nextAt = (visits.at(-1) ?? wait.startedAt) + every
  const over = nextAt >= wait.startedAt + wait.minutes * 60_000
  return {
    nextAt: over ? null : nextAt,
    visits: visits.length,
    late: !over && now > nextAt + graceMinutes * 60_000,
  }
}

/**
 * The order in which fasteners in a ring are drawn up crosswise: each one opposite the last, or nearly.
 * Returns the places, 0 at the top and clockwise, in their order. Common practice, no source. Example: 4 is 0, 2, 1, 3.
 * @example crosswise(4) // [0, 2, 1, 3]
 */
export function crosswise(count: number): number[] {
  const half = Math.ceil(count / 2)
  const starts = Array.from({ length: half }, (_, i) => i)
  return starts.flatMap((i) => (i + half < count ? [i, i + half] : [i]))
}
