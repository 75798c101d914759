import type { FoodReading } from '../food/food.ts'
import type { Instant } from '../quantity/index.ts'
import { judgedTemperature, notTold, type Thermometer } from '../reading/take-reading.ts'
import { canonicalText } from '../stream/canonical.ts'
import type { AnyDraft } from '../stream/record.ts'
import type { Flag } from './flags.ts'
import type { ReadingKnown } from './judge-anew.ts'

/** The thermometer that a draft read food on, and what it read; null where it read none. */
export function foodReadIn(
  draft: AnyDraft,
): { readonly read: FoodReading; readonly on: string | null } | null {
  if (draft.type !== 'food.received@1' && draft.type !== 'food.read@1') return null
  const { read, on } = draft.payload
  return read && { read, on }
}

/**
 * How what was read of food, and the law that it was taken by, differ from what the site's own records say. It is kept all the same: it
 * happened. @param at when it was read, ms UTC.
 */
export function foodFlags(
  draft: AnyDraft,
  known: Pick<ReadingKnown, 'instrument'> & { readonly milkAt7: boolean },
  at: Instant,
): Flag[] {
  const found = foodReadIn(draft)
  const law = draft.type === 'food.received@1' && draft.payload.milkAt7 === true && !known.milkAt7
  const differs = found !== null && !isAsRead(found, known, at)
  return [...(differs ? (['reading-differs'] as const) : []), ...(law ? (['rules-differ'] as const) : [])]
}

function isAsRead(
  { read, on }: { readonly read: FoodReading; readonly on: string | null },
  { instrument }: Pick<ReadingKnown, 'instrument'>,
  at: Instant,
): boolean {
  const { unit, value } = read
  const named = on === null ? null : instrument(on)
  const thermometer = named?.kind === 'thermometer' ? (named as Thermometer) : null
  // A number in another unit than its thermometer's was not read on it.
  if (thermometer && thermometer.unit !== unit) return false
  const anew = judgedTemperature({ value, unit, thermometer }, at, 'food')?.reading ?? notTold
  return canonicalText(anew) === canonicalText(read.interval)
}
