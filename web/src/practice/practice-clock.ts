import { instant, type Instant } from '@tadka/core/quantity'
import { useIntervalFn } from '@vueuse/core'
import { shallowRef } from 'vue'
import { rightNow, type Clock } from '../wire/clock.ts'

const tickMs = 100

export interface PracticeClock extends Clock {
  /** At this very moment, milliseconds UTC. */
  readonly rightNow: () => Instant
}

/** The clock of a practice run: it begins now, and goes faster while only waiting is left. @param rate how many times as fast, at an instant of it. */
export function usePracticeClock(rate: (at: number) => number): PracticeClock {
  let at: number = rightNow()
  let last = performance.now()
  const shown = shallowRef(at)
  function advance(): Instant {
    const seen = performance.now()
    at += (seen - last) * rate(at)
    last = seen
    return instant(Math.round(at))
  }
  useIntervalFn(() => (shown.value = advance()), tickMs)
  return { now: () => instant(shown.value), rightNow: advance }
}
