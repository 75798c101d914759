import { instant, type Instant } from '@tadka/core/quantity'
import { useIntervalFn } from '@vueuse/core'
import { readonly, ref } from 'vue'

/** Server clock minus this tablet's, milliseconds. Small differences are the way over the network. */
const offset = ref(0)
const tick = ref(Date.now())

useIntervalFn(() => (tick.value = Date.now()), 500)

/** Learns the server's time from an answer that just came. */
export function learnServerTime(serverTime: number): void {
  const raw = serverTime - Date.now()
  offset.value = Math.abs(raw) <= 2000 ? 0 : raw
  tick.value = Date.now()
}

export const clockOffset = readonly(offset)

/** The time by the server's clock, milliseconds UTC; reactive, twice a second. */
export const now = (): Instant => instant(tick.value + offset.value)

/** The time by the server's clock at this very moment. */
export const rightNow = (): Instant => instant(Date.now() + offset.value)
