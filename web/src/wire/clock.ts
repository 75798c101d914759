import { instant, type Instant } from '@tadka/core/quantity'
import { useIntervalFn } from '@vueuse/core'
import { readonly, ref } from 'vue'

/** Where this page's clock began: the wall clock then. From there on it runs by itself, and nobody can set it. */
const began = Date.now() - performance.now()

/** This tablet's own clock, milliseconds: what is observed is written down by it. */
export const ownClock = (): number => Math.round(began + performance.now())

/** Server clock minus this tablet's, milliseconds. Small differences are the way over the network. */
const offset = ref(0)
const tick = ref(ownClock())

useIntervalFn(() => (tick.value = ownClock()), 500)

/** Learns the server's time from an answer that just came. */
export function learnServerTime(serverTime: number): void {
  const raw = serverTime - ownClock()
  offset.value = Math.abs(raw) <= 2000 ? 0 : raw
  tick.value = ownClock()
}

export const clockOffset = readonly(offset)

/** The time by the server's clock, milliseconds UTC; reactive, twice a second. */
export const now = (): Instant => instant(tick.value + offset.value)

/** The time by the server's clock at this very moment. */
export const rightNow = (): Instant => instant(ownClock() + offset.value)
