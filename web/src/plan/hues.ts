import type { PersonLane } from './lanes.ts'

/** Grounds of bars, one a place; the text on a bar says the same. */
const grounds = ['glass', 'cinnamon', 'slate', 'sand'] as const

/** Which ground the bars of a place have, in the order in which places come up. */
export function hues(lanes: readonly PersonLane[]): (place: string) => (typeof grounds)[number] {
  const places = [
    ...new Set(lanes.flatMap((l) => l.bars.map((b) => b.place)).filter((p) => p !== '')),
  ].toSorted()
  return (place) => grounds[Math.max(0, places.indexOf(place)) % grounds.length] ?? 'sand'
}

/** Runs are put to whole five minutes. */
export const stepMinutes = 5

export const snapped = (at: number): number => {
  const step = stepMinutes * 60_000
  return Math.round(at / step) * step
}
