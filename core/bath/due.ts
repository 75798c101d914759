import { instant, type Instant } from '../quantity/index.ts'
import type { BathState } from './fold.ts'
import type { Verdict } from '../rules/index.ts'
import type { SiteSet } from '../house/site.ts'

/** Hours after which a bath is tested again, and changed. Common practice, no source: every 2 to 4 h. */
export const bathHours = { testHours: 2, changeHours: 4 } as const

export interface BathDue {
  readonly testBy: Instant
  readonly useBy: Instant
  readonly why: 'never-tested' | 'not-in' | 'age' | 'forecast' | 'change'
}

const hourMs = 3_600_000
/** A forecast asks for no test sooner than this after the last. Common practice, no source. */
const leastBetweenMs = hourMs / 4

/**
 * When a bath is tested next and by when it is changed: at once where it was never tested or its last reading was not in,
 * else after the site's hours, or sooner where it is expected to weaken sooner, and never past the change. Instants in milliseconds UTC.
 */
export function bathDue(
  bath: Pick<BathState, 'mixedAt' | 'lastReading'>,
  hours: NonNullable<SiteSet['bath']> = bathHours,
  foretold: Instant | null = null,
): BathDue {
  const useBy = instant(bath.mixedAt + hours.changeHours * hourMs)
  const { lastReading } = bath
  if (!lastReading) return { testBy: instant(bath.mixedAt), useBy, why: 'never-tested' }
  if (lastReading.verdict !== 'in') return { testBy: instant(lastReading.at), useBy, why: 'not-in' }
  const again = lastReading.at + hours.testHours * hourMs
  const sooner = foretold === null ? null : Math.max(foretold, lastReading.at + leastBetweenMs)
  if (sooner !== null && sooner < Math.min(again, useBy))
    return { testBy: instant(sooner), useBy, why: 'forecast' }
  return again < useBy
    ? { testBy: instant(again), useBy, why: 'age' }
    : { testBy: useBy, useBy, why: 'change' }
}

/** What a bath asks for now. */
export type BathCall = 'change' | 'test' | null

/**
 * What a bath asks for at one moment, and the verdict that may be shown of it: a reading is of its moment. A bath past its hours, its
 * test or its forecast is not known to be in, whatever it once read. @param likelyBelow when it is likely below its range.
 */
export function bathNow(
  bath: Pick<BathState, 'lastReading'>,
  due: BathDue,
  likelyBelow: Instant | null,
  now: Instant,
): { readonly call: BathCall; readonly verdict: Verdict } {
  const last = bath.lastReading?.verdict ?? 'cannot-tell'
  if (now >= due.useBy) return { call: 'change', verdict: last === 'out' ? 'out' : 'cannot-tell' }
  const foretold = likelyBelow !== null && now >= likelyBelow
  if (now >= due.testBy || foretold) return { call: 'test', verdict: last === 'in' ? 'cannot-tell' : last }
  return { call: null, verdict: last }
}
