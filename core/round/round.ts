import type { Fold } from '../stream/fold.ts'
import { correctedAt } from '../stream/record.ts'
import type { RoundPoint, RoundSet, WalkLooked } from './records.ts'

export type Told = Omit<WalkLooked, 'walk' | 'point'> & { readonly at: number; readonly by: string }

/** A round under way. */
export interface WalkOpen {
  readonly walk: string
  /** When and by whom it was begun. ms UTC. */
  readonly at: number
  readonly by: string
  /** What was asked when it began. */
  readonly asked: readonly RoundPoint[]
  /** What was told so far, by point. */
  readonly told: Readonly<Record<string, Told>>
}

/** A round that is over. */
export interface WalkOver {
  readonly walk: string
  readonly from: number
  readonly to: number
  readonly by: string
  /** How many points were asked, and how many of them nobody looked at. */
  readonly asked: number
  readonly unseen: number
  readonly wrong: readonly Told[]
  /** Why points were left out; null where none was said. */
  readonly left: string | null
  /** From the first look to the last, ms; and how many looks without a reading lie between. */
  readonly lasted: number
  readonly looks: number
}

/** What of a round says when it is due. */
export interface RoundWas extends Pick<RoundSet, 'name' | 'days' | 'when' | 'ended'> {
  readonly from: number
  readonly points: { readonly length: number }
}

export interface RoundState {
  readonly id: string
  /** Null until somebody made it. */
  readonly round: RoundSet | null
  /** How it was asked for and from when on, ms UTC; the newest last. */
  readonly was: readonly RoundWas[]
  readonly open: readonly WalkOpen[]
  /** The newest last. */
  readonly walks: readonly WalkOver[]
}

const openKept = 4
const walksKept = 40
const wasKept = 12

/** A round: as it was made last, those under way, and the last that are over. */
export const roundFold: Fold<RoundState> = {
  initial: (id) => ({ id, round: null, was: [], open: [], walks: [] }),
  apply(state, record) {
    const at = correctedAt(record)
    switch (record.type) {
      case 'round.set@1': {
        const { name, days, when, ended, points } = record.payload
        const was = {
          name,
          days,
          when,
          ...(ended ? { ended } : {}),
          points: { length: points.length },
          from: at,
        }
        return { ...state, round: record.payload, was: [...state.was, was].slice(-wasKept) }
      }
      case 'walk.begun@1': {
        const { walk } = record.payload
        if (!state.round || isKnown(state, walk)) return state
        const begun = { walk, at, by: record.by, asked: state.round.points, told: {} }
        return { ...state, open: [...state.open, begun].slice(-openKept) }
      }
      case 'walk.looked@1': {
        const { walk, point, ...told } = record.payload
        return {
          ...state,
          open: state.open.map((w) =>
            w.walk === walk ? { ...w, told: { ...w.told, [point]: { ...told, at, by: record.by } } } : w,
          ),
        }
      }
      case 'walk.ended@1': {
        const walk = state.open.find((w) => w.walk === record.payload.walk)
        if (!walk) return state
        return {
          ...state,
          open: state.open.filter((w) => w !== walk),
          walks: [...state.walks, over(walk, at, record.by, record.payload.left)].slice(-walksKept),
        }
      }
      default:
        return state
    }
  },
}

const isKnown = ({ open, walks }: RoundState, walk: string) =>
  open.some((w) => w.walk === walk) || walks.some((w) => w.walk === walk)

/** The round as it stood at an instant, ms UTC; null before anybody made it. */
export const roundAt = ({ was }: RoundState, at: number): RoundWas | null =>
  was.findLast((w) => w.from <= at) ?? null

/** What was told of what was asked. */
const toldOf = ({ asked, told }: WalkOpen): Told[] =>
  asked.flatMap(({ id }) => {
    const one = told[id]
    return one ? [one] : []
  })

/** Points that nobody has looked at yet, in their order. */
export const unseenOf = ({ asked, told }: WalkOpen): RoundPoint[] => asked.filter(({ id }) => !told[id])

function over(walk: WalkOpen, to: number, by: string, left: string | null): WalkOver {
  const all = toldOf(walk)
  const looked = all.filter((o) => o.reading === null).map((o) => o.at)
  return {
    ...{ walk: walk.walk, from: walk.at, to, by, left },
    asked: walk.asked.length,
    unseen: unseenOf(walk).length,
    wrong: all.filter((o) => !o.fine),
    lasted: looked.length > 1 ? Math.max(...looked) - Math.min(...looked) : 0,
    looks: looked.length,
  }
}

/** Nobody looks at something and tells of it in less: ms from one look to the next. Common practice, no source. */
const leastLook = 2000
/** Fewer are no round of which one could say how it was walked. */
const leastLooks = 4

/** Its points were told faster than anybody can look at them. */
export const isHurried = ({ looks, lasted }: Pick<WalkOver, 'looks' | 'lasted'>): boolean =>
  looks >= leastLooks && lasted < (looks - 1) * leastLook
