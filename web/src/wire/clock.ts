import { instant, type Instant } from '@tadka/core/quantity'
import { clockHeard, learnClock, offsetTaken, type ClockSample } from '@tadka/core/stream'
import { useIntervalFn, useStorage } from '@vueuse/core'
import { computed, hasInjectionContext, inject, readonly, ref, type InjectionKey } from 'vue'

/** Where this page's clock began: the wall clock then. From there on it runs by itself, and nobody can set it. */
const began = Date.now() - performance.now()

/** This tablet's own clock, milliseconds: what is observed is written down by it. */
export const ownClock = (): number => Math.round(began + performance.now())

/**
 * Server clock minus this tablet's, milliseconds. Small differences are the way over the network. Kept: a page that is opened
 * without network goes on by what was known.
 */
const offset = useStorage('tadka.clockOffset', 0)
const everHeard = useStorage('tadka.clockHeard', false)
const tick = ref(ownClock())

useIntervalFn(() => (tick.value = ownClock()), 500)

let known: ClockSample | null = null
/** What is not known better: an answer took no longer than this, ms. */
const anyAnswerMs = 15_000

/**
 * Learns the server's time from an answer that just came. It stays what it is until one says it more exactly, or a clock was set:
 * what is done in a minute of bad Wi-Fi must not change places with what was done before. @param askedAt by this tablet's clock.
 */
export function learnServerTime(serverTime: number, askedAt?: number): void {
  const heard =
    askedAt === undefined
      ? { offset: serverTime - ownClock(), within: anyAnswerMs }
      : clockHeard(serverTime, askedAt, ownClock())
  known = learnClock(known, heard)
  offset.value = offsetTaken(known)
  everHeard.value = true
  tick.value = ownClock()
}

export const clockOffset = readonly(offset)

/** What is known of the server's clock, to go with what is made now; null where no answer has ever come. */
export const knownOffset = (): number | null => (everHeard.value ? offset.value : null)

/** The time by the server's clock, milliseconds UTC; reactive, twice a second. */
export const now = (): Instant => instant(tick.value + offset.value)

const minute = computed(() => Math.floor((tick.value + offset.value) / 60_000))

/** The same; reactive, once a minute: for what is worked out from much and told in minutes. */
export function nowByMinute(): Instant {
  void minute.value
  return rightNow()
}

/** The time by the server's clock at this very moment. */
export const rightNow = (): Instant => instant(ownClock() + offset.value)

/** A clock that screens go by. */
export interface Clock {
  /** Reactive, milliseconds UTC. */
  readonly now: () => Instant
}

/** What stands in for the clock beneath a component: that of a practice run goes faster. */
export const clockKey: InjectionKey<Clock> = Symbol('clock')

/** The clock here: the server's, but where another stands in for it. */
export const useClock = (): Clock => (hasInjectionContext() ? inject(clockKey, null) : null) ?? { now }
