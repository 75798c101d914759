import { instant, type Instant } from '../quantity/index.ts'
import type { BathState } from '../record/folds.ts'
import type { SiteSet } from '../record/house.ts'

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
