import type { Looked, Question } from './entry.ts'
import { allAtOnce, shorterThanItsWaits } from './pace.ts'
import { notOnShift, twoPlaces } from './presence.ts'
import { alwaysTheSame, roundNumbers } from './repeats.ts'

/**
 * What a manager may want to ask about some days, each with what it rests on: signs that a log was filled in rather than kept.
 * Common practice, no source. Nothing is blocked by it, and nobody accused.
 */
export function questionsOf(looked: Looked): Question[] {
  const { entries } = looked
  return [
    ...alwaysTheSame(entries),
    ...roundNumbers(entries),
    ...allAtOnce(entries),
    ...shorterThanItsWaits(entries),
    ...twoPlaces(entries),
    ...notOnShift(looked),
  ].toSorted((a, b) => a.from - b.from)
}
