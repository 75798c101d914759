/** Numbers for made-up shifts; a generator apart from the planner's own. */
export function numbersFrom(seed: number) {
  let state = (seed * 2654435761) >>> 0
  const next = () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0
    return (state >>> 8) / 16777216
  }
  return {
    chance: (p: number) => next() < p,
    int: (lo: number, hi: number) => lo + Math.floor(next() * (hi - lo + 1)),
    pick: <T>(of: readonly T[]): T => of[Math.floor(next() * of.length)] as T,
  }
}
