import type { PlanProblem, PlanRun, PlanSegment, Span } from './problem.ts'

/** A piece of work in the network: numbered, with what the search asks of it again and again. */
export interface Piece {
  readonly index: number
  readonly run: number
  readonly segment: PlanSegment
  readonly work: boolean
  /** The least that anybody takes who may do it. */
  readonly minutes: number
  /** By person, where people take different minutes; otherwise null. */
  readonly by: Int16Array | null
  readonly places: readonly number[]
  readonly in: readonly Arc[]
  readonly out: readonly Arc[]
  readonly block: number
  /** Longest way from the run's begin to this piece's begin, and from its end to the end of the run. */
  readonly head: number
  readonly tail: number
  /** From its end to the end of the run's last work by hand. */
  readonly handsTail: number
  /** The area where it is worked, by number from 1; -1 for a break. */
  readonly at: number
  /** How it is come to and left, by the numbers of `Setups`; -1 for a break. */
  readonly enters: number
  readonly leaves: number
  /** The nearest work before it in the run: whose hands it comes from. */
  readonly follows: readonly number[]
  /** Others of its task: they stay in the same hands. */
  readonly mates: readonly number[]
  /** People who must do it together. */
  readonly needs: 1 | 2
  /** A wait that goes on holding its places until what comes after it has begun. */
  readonly holds: boolean
}

export interface Arc {
  readonly piece: number
  readonly least: number
  readonly most: number | null
}

/** Pieces tied to each other by longest waits: placed together. In an order that respects every link. */
export interface Block {
  readonly index: number
  readonly run: number
  readonly pieces: readonly number[]
  readonly before: readonly number[]
  readonly after: readonly number[]
  /** A wait under way in it holds a place: nothing else is placed before it. */
  readonly goesFirst: boolean
}

/** A run, or a break as a run of one piece that takes no machine. */
export interface Job {
  readonly index: number
  readonly run: PlanRun
  readonly isBreak: boolean
  readonly station: number
  /** The area of its machine, by number from 1; -1 for a break, which is nowhere. */
  readonly at: number
  readonly pieces: readonly number[]
  readonly blocks: readonly number[]
  /** Spans in which it may stand, begin to end. */
  readonly gaps: readonly Span[]
  /** The first of them that is long enough. */
  readonly firstGap: number
  readonly hasBegun: boolean
  /** Longest way through. */
  readonly length: number
  /** Signed off; still learning; and both. */
  readonly alone: readonly number[]
  readonly learning: readonly number[]
  readonly people: readonly number[]
  readonly pin: { readonly person: number; readonly start: number }
  /** Keep-up groups that its station belongs to. */
  readonly groups: readonly number[]
  readonly after: readonly number[]
  /** Jobs whose place hangs on this one's: on its machine, among those that may be down at once, and what comes after; itself too. */
  readonly tied: readonly number[]
}

export interface Network {
  readonly problem: PlanProblem
  readonly pieces: readonly Piece[]
  readonly blocks: readonly Block[]
  readonly jobs: readonly Job[]
  readonly placeNames: readonly string[]
  readonly capacities: readonly number[]
  /** Minutes at which something changes by itself: a counter's need, a machine that may go down, somebody's hours. */
  readonly marks: readonly number[]
  /** Somebody learns: who is by must be known. */
  readonly isLearned: boolean
  /** Minutes of walking between areas, by the numbers of `Piece.at`, row by row. */
  readonly walks: Int16Array
  readonly areas: number
  /** Minutes between one work and the next of the same person; null where none ever lie between. */
  readonly setups: Setups | null
  /** By job: the number in the problem of who worked at it last, where it has begun; -1 for nobody. */
  readonly begunBy: Int16Array
  /** By person: the minutes of work by hand that would be a fair share. */
  readonly shares: Float64Array
}

/** Minutes from how one work is left to how the next is come to, row by row: the walk, and washing hands. And the longest. */
export interface Setups {
  readonly kinds: number
  readonly minutes: Int16Array
  readonly longest: number
}

export const setupMinutes = ({ kinds, minutes }: Setups, left: number, entered: number): number =>
  minutes[left * kinds + entered] as number

/** Minutes that a piece takes in a person's hands; -1 is nobody's. */
export const minutesOf = (piece: Piece, person: number): number =>
  piece.by === null || person < 0 ? piece.minutes : (piece.by[person] as number)
