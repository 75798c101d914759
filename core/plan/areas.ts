import type { Setups } from './network.ts'
import type { PlanProblem, PlanSegment } from './problem.ts'
import type { Local } from './tie.ts'

/** The areas of a problem by number from 1, with the minutes between them row by row. */
export interface Areas {
  readonly count: number
  readonly walks: Int16Array
  readonly ofStation: (station: string) => number
  /** Where a segment is worked, and how it is come to and left. @param station the area of its machine. */
  readonly ofSegment: (
    segment: PlanSegment,
    station: number,
  ) => { readonly at: number; readonly enters: number; readonly leaves: number }
}

/** What is touched: nothing in particular, something dirty, what must stay clean. */
const touches = [undefined, 'dirty', 'food'] as const
/** A number for an area and what is touched there. */
const kindOf = (area: number, touch: PlanSegment['first']): number =>
  area * touches.length + touches.indexOf(touch)

export function areasOf(problem: PlanProblem): Areas {
  const { stations, runs, walks = [], walkElse = 0, placeAreas = {} } = problem
  const placeOf = (station: string) => stations.find((s) => s.id === station)?.place ?? ''
  const names = [...new Set([...runs.map((r) => placeOf(r.station)), ...Object.values(placeAreas)])]
  const number = (name: string) => 1 + names.indexOf(name)
  const count = names.length + 1
  const minutes = new Int16Array(count * count)
  for (let a = 1; a < count; a++)
    for (let b = 1; b < count; b++) if (a !== b) minutes[a * count + b] = walkElse
  for (const walk of walks) {
    const [a, b] = walk.between.map(number) as [number, number]
    if (a === 0 || b === 0 || a === b) continue
    minutes[a * count + b] = walk.minutes
    minutes[b * count + a] = walk.minutes
  }
  return {
    count,
    walks: minutes,
    ofStation: (station) => number(placeOf(station)),
    ofSegment: (segment, station) => {
      const shared = segment.places.flatMap((p) => placeAreas[p] ?? [])[0]
      const at = shared === undefined ? station : number(shared)
      return { at, enters: kindOf(at, segment.first), leaves: kindOf(at, segment.last) }
    },
  }
}

/** Minutes between works of one person: the walk, and washing hands where dirty work comes before what must stay clean. */
export function setupsOf({ washing = 0 }: PlanProblem, { count, walks }: Areas): Setups | null {
  const kinds = count * touches.length
  const minutes = new Int16Array(kinds * kinds)
  for (let a = 0; a < kinds; a++)
    for (let b = 0; b < kinds; b++) {
      const [from, to] = [Math.floor(a / touches.length), Math.floor(b / touches.length)]
      const dirty = touches[a % touches.length] === 'dirty' && touches[b % touches.length] === 'food'
      minutes[a * kinds + b] = (walks[from * count + to] as number) + (dirty ? washing : 0)
    }
  const longest = minutes.reduce((most, m) => Math.max(most, m), 0)
  return longest === 0 ? null : { kinds, minutes, longest }
}

/** By segment: the nearest work by hand before it, through the waits between. */
export function nearestWork(local: readonly Local[], first: number): number[][] {
  const found: number[][] = []
  local.forEach((l, i) => {
    found[i] = [
      ...new Set(
        l.in.flatMap((a) =>
          local[a.piece - first]?.segment.kind === 'hands-on' ? [a.piece] : (found[a.piece - first] ?? []),
        ),
      ),
    ]
  })
  return found
}
