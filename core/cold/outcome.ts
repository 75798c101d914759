import type { TemperatureReading } from '../quantity/index.ts'
import { rerunFit } from '../rules/index.ts'

const [hourMs, minuteMs] = [3_600_000, 60_000]
/** FDA Food Code 2022, 3-501.19(B) and (C): 4 h from the cold; 6 h where it never was above 21 °C (70 °F). */
const [shortHours, longHours] = [4, 6] as const
const warmest = { '°C': 21, '°F': 70 } as const
/** Read later than so many minutes after the cold is back, it may have been warm and be cold again. Common practice, no source. */
const readsWithin = 30

export type ColdOutcome =
  /** Read cold: FDA Food Code 2022, 3-501.16(A)(2). */
  | { readonly is: 'keep' }
  /** Thrown out: 3-701.11. */
  | { readonly is: 'discard'; readonly why: 'time-unknown' | 'too-long' | 'too-warm' }
  /** Served or thrown out by then, ms UTC, by the site's own written procedure: 3-501.19. */
  | { readonly is: 'use-by'; readonly by: number }
  /** Neither kept nor thrown out before whoever decides has said so. */
  | { readonly is: 'ask'; readonly why: 'no-procedure' | 'read-late' }
  /** Cold as it was read, and the cold is gone still: it is read again once that is back. */
  | { readonly is: 'read-again' }

/** What is known of cold food whose cold was gone. */
export interface ColdFood {
  /** What the thermometer shows; null where nobody read it. */
  readonly read: TemperatureReading | null
  /** When it was read, and now, ms UTC. */
  readonly readAt: number
  readonly now: number
  /** Since when it was above 5 °C, ms UTC; null: it was, and nobody knows since when; `never`: it was cold throughout. */
  readonly warmSince: number | null | 'never'
  /** When the cold came back, ms UTC; `lasts` while it is gone; null where it never went: one machine is out of range. */
  readonly coldBack: number | null | 'lasts'
  /** Hours of a written procedure that the site had entered before it happened; null where it had none. */
  readonly writtenHours: 4 | 6 | null
}

/**
 * What becomes of cold food whose cold was gone. Only what is read cold is kept; what is warm for an unknown time, or for four hours, is
 * thrown out; time alone holds only by a written procedure that was entered before. Judged in the unit of the thermometer. Sources: FDA Food
 * Code 2022, 3-501.16(A)(2), 3-501.19, 3-701.11. Returns what is to be done with it.
 */
export function coldOutcome(food: ColdFood): ColdOutcome {
  const { read, readAt, now, warmSince, coldBack, writtenHours } = food
  const isCold = read !== null && rerunFit(read.value, read.unit).cold
  if (isCold && warmSince === 'never') {
    if (coldBack === null) return { is: 'keep' }
    if (coldBack === 'lasts' || readAt < coldBack) return { is: 'read-again' }
    return readAt > coldBack + readsWithin * minuteMs ? { is: 'ask', why: 'read-late' } : { is: 'keep' }
  }
  // What is read warm was warm since some time, whatever was said.
  if (warmSince === null || warmSince === 'never') return { is: 'discard', why: 'time-unknown' }
  const isLong = writtenHours === longHours && read !== null
  if (isLong && read.value > warmest[read.unit]) return { is: 'discard', why: 'too-warm' }
  const by = warmSince + (isLong ? longHours : shortHours) * hourMs
  if (now >= by) return { is: 'discard', why: 'too-long' }
  return writtenHours === null ? { is: 'ask', why: 'no-procedure' } : { is: 'use-by', by }
}
