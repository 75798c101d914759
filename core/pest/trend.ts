import type { PestState, TrapState } from './fold.ts'

const weekMs = 7 * 24 * 3_600_000

export interface AreaTrend {
  readonly area: string
  /** Of each week, the oldest first: what was seen, and what was caught. */
  readonly weeks: readonly { readonly seen: number; readonly caught: number }[]
  /** The last half of the weeks has more than the half before, less, or as many; or nobody can tell, for nobody looked before. */
  readonly goes: 'up' | 'down' | 'level' | 'nothing' | 'too-early'
}

/**
 * What was seen and caught by area, week by week: an area with nothing stands there with nothing. @param areas of the site; @param weeks
 * how many, an even number; @param now ms UTC, in the last of them.
 */
export function pestTrend(
  seen: readonly PestState[],
  traps: readonly TrapState[],
  areas: readonly string[],
  weeks: number,
  now: number,
): AreaTrend[] {
  const weekOf = (at: number) => weeks - 1 - Math.floor((now - at) / weekMs)
  const sightings = seen.flatMap((p) =>
    p.seen ? [{ area: p.seen.area, at: p.seen.at, seen: 1, caught: 0 }] : [],
  )
  const catches = traps.flatMap(({ trap, looks }) =>
    looks.flatMap(({ at, caught }) => (trap ? [{ area: trap.area, at, seen: 0, caught }] : [])),
  )
  const all = [...sightings, ...catches].filter(({ at }) => at <= now && weekOf(at) >= 0)
  // Where nobody looked in the first quarter there is nothing to hold the rest against.
  const begins = Math.min(...all.map((a) => a.at), now)
  const early = begins > now - weeks * weekMs * 0.75
  const places = [...new Set([...areas, ...all.map((a) => a.area)])].toSorted()
  return places.map((area) => {
    const counted = Array.from({ length: weeks }, (_, w) => {
      const of = all.filter((a) => a.area === area && weekOf(a.at) === w)
      return {
        seen: of.reduce((a, b) => a + b.seen, 0),
        caught: of.reduce((a, b) => a + b.caught, 0),
      }
    })
    const sum = (of: typeof counted) => of.reduce((a, b) => a + b.seen + b.caught, 0)
    const [before, after] = [sum(counted.slice(0, weeks / 2)), sum(counted.slice(weeks / 2))]
    return { area, weeks: counted, goes: direction(before, after, early) }
  })
}

function direction(before: number, after: number, early: boolean): AreaTrend['goes'] {
  if (before + after === 0) return 'nothing'
  if (early) return 'too-early'
  return after > before ? 'up' : after < before ? 'down' : 'level'
}
