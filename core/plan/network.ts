import type { PlanProblem, PlanRun, PlanSegment, Span } from './problem.ts'

/** A piece of work in the network: numbered, with what the search asks of it again and again. */
export interface Piece {
  readonly index: number
  readonly run: number
  readonly segment: PlanSegment
  readonly work: boolean
  readonly minutes: number
  readonly places: readonly number[]
  readonly in: readonly Arc[]
  readonly out: readonly Arc[]
  readonly block: number
  /** Longest way from the run's begin to this piece's begin, and from its end to the end of the run. */
  readonly head: number
  readonly tail: number
  /** From its end to the end of the run's last work by hand. */
  readonly handsTail: number
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
}

/** A run, or a break as a run of one piece that takes no machine. */
export interface Job {
  readonly index: number
  readonly run: PlanRun
  readonly isBreak: boolean
  readonly station: number
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
}
