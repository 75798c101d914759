import type { Arc } from './network.ts'
import type { PlanSegment } from './problem.ts'

/** A segment of one run with its links, as pieces numbered from `first`. */
export interface Local {
  readonly in: readonly Arc[]
  readonly out: readonly Arc[]
  readonly segment: PlanSegment
}

/** A wait that takes a place goes on taking it until what comes after it has begun: the parts lie in the sink. */
export const holdsOn = ({ segment, out }: Local): boolean =>
  segment.kind === 'wait' && segment.places.length > 0 && out.length > 0

/** Which pieces must be placed together: those tied by a longest wait, or by a wait that takes a place, and all between them. */
export function tie(first: number, local: readonly Local[]): number[] {
  const of = local.map((_, i) => i)
  const join = (a: number, b: number) => {
    const [x, y] = [of[a], of[b]]
    of.forEach((v, i) => {
      if (v === y && x !== undefined) of[i] = x
    })
  }
  const from = (i: number): Set<number> => {
    const seen = new Set<number>()
    const go = (k: number) => {
      for (const a of local[k]?.out ?? []) {
        const to = a.piece - first
        if (seen.has(to)) continue
        seen.add(to)
        go(to)
      }
    }
    go(i)
    return seen
  }
  const reach = local.map((_, i) => from(i))
  local.forEach((l, i) => {
    for (const a of l.out) {
      const to = local[a.piece - first]
      // A wait that holds a place, or may not last, begins exactly when what is before it ends.
      const exact = to?.segment.kind === 'wait' && (to.segment.places.length > 0 || to.segment.most !== null)
      if (a.most !== null || exact || holdsOn(l)) join(i, a.piece - first)
    }
  })
  // What lies on a way from one of a block to another of it belongs to it.
  for (let changed = true; changed;) {
    changed = false
    local.forEach((_, i) => {
      const before = local.findIndex((_, a) => a !== i && of[a] !== of[i] && reach[a]?.has(i))
      if (before < 0) return
      for (let a = 0; a < local.length; a++)
        for (let b = 0; b < local.length; b++)
          if (of[a] === of[b] && of[a] !== of[i] && reach[a]?.has(i) && reach[i]?.has(b)) {
            join(a, i)
            changed = true
          }
    })
  }
  return of
}
