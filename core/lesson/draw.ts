import type { Random } from './question.ts'

/** One of them. */
export const oneOf = <T>(all: readonly T[], random: Random): T | undefined =>
  all[Math.floor(random() * all.length)]

/** All of them in any order. */
export function shuffled<T>(all: readonly T[], random: Random): T[] {
  const left = [...all]
  return Array.from({ length: left.length }, () => left.splice(Math.floor(random() * left.length), 1)).flat()
}

/** A whole number of steps from `lo` to `hi`, both counted. */
export const stepped = (lo: number, hi: number, step: number, random: Random): number =>
  lo + Math.floor(random() * (Math.floor((hi - lo) / step) + 1)) * step

/** An answer much longer or shorter than all others is picked for that. */
const [longest, shortest] = [1.3, 0.7]

/** Whether the right one's text stands out by its length. @param texts of all. @param right its place. */
export function isEven(texts: readonly string[], right: number): boolean {
  const own = texts[right]?.length ?? 0
  const others = texts.filter((_, i) => i !== right).map((text) => text.length)
  return own <= Math.max(...others) * longest && own >= Math.min(...others) * shortest
}

/** The first thing made in a few tries that is one. */
export function tried<T>(make: () => T | null, tries = 40): T | null {
  for (let i = 0; i < tries; i++) {
    const made = make()
    if (made !== null) return made
  }
  return null
}
