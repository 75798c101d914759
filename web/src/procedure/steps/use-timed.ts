import {
  mustLast,
  waitEndsAt,
  waitMinutes,
  type Position,
  type RunState,
  type Timed,
} from '@tadka/core/procedure'
import { computed } from 'vue'
import { useClock } from '../../wire/clock.ts'

/** A timed step as its screen needs it, from the instant that stands in the log: reload, sleep or another tablet change nothing. */
export function useTimed(
  at: () => { readonly step: Timed; readonly position: Position; readonly run: RunState },
) {
  const { now } = useClock()
  const key = () => at().position.key
  const minutes = computed(() => waitMinutes(at().step, at().run))
  const wait = computed(() => at().run.waits[key()] ?? null)
  /** Ended before its time and not begun anew. */
  const cut = computed(() => (wait.value ? null : (at().run.cut[key()] ?? null)))
  const ends = computed(() => waitEndsAt(at().run, key()))
  /** Milliseconds that it still lasts; none where its time is over. */
  const left = computed(() => Math.max(0, (ends.value ?? 0) - now()))
  const over = computed(() => ends.value !== null && left.value === 0)
  const strict = computed(() => mustLast(at().step))
  return { minutes, wait, cut, ends, left, over, strict }
}
