import type { Counted } from '../record/house.ts'
import type { Facets } from './facets.ts'
import type { Procedure } from './language.ts'

/** A flat set of facts about a step: what was poured, counted, chosen. Units are in the names. */
export type Facts = Readonly<Record<string, string | number | boolean | null>>

export interface RunPlain {
  readonly run: string
  readonly station: string
}

/** Names its procedure, so that what counts since it was last done can start anew. */
export interface RunFinished extends RunPlain {
  readonly procedure?: string
}

export interface RunStarted extends RunPlain {
  readonly procedure: { readonly id: string; readonly version: number }
  /** The model's numbers at the start; the run keeps them. */
  readonly parameters: Readonly<Record<string, number>>
  /** The choice of each of the procedure's options; the run keeps them too. */
  readonly options?: Readonly<Record<string, string>>
  /** The whole procedure, where it is the site's own: the run stays on it. */
  readonly document?: Procedure
}

export interface StepDone extends RunPlain {
  /** The step's key: its id, after those of the groups, rounds and lanes it stands in ("barrels.1.rinse.2.drain"). */
  readonly step: string
  readonly kind: string
  readonly facts: Facts
  /** What became of the station by it. */
  readonly effects: Partial<Facets>
  /** What those facets were before, so that it can be taken back. */
  readonly before: Partial<Facets>
}

export interface StepUndone extends RunPlain {
  readonly step: string
  /** The station's facets as they were before the step. */
  readonly restores: Partial<Facets>
}

export interface WaitStarted extends RunPlain {
  readonly step: string
  readonly minutes: number
  /** What becomes of the station while it waits (agitating). */
  readonly effects: Partial<Facets>
  readonly before: Partial<Facets>
}

/** A visit of a tended wait: what it did is its step's duty. */
export interface VisitMade extends RunPlain {
  readonly step: string
}

/** What an inspection asked for was done, or is no longer needed. */
export interface FollowUpClosed extends RunPlain {
  readonly step: string
  readonly note: string
}

/** A counter of a station as it stands: racks, shots, litres, cycles since it was new or since it was set to nought. */
export interface CountRead {
  readonly station: string
  readonly of: Counted
  readonly total: number
}

/** Something that somebody saw: scale, an indicator lit, grease turned grey. */
export interface SignSeen {
  readonly station: string
  readonly sign: string
  readonly note: string
}

/** Stored clean until it is needed again: nothing falls due on it meanwhile. */
export interface LaidUp {
  readonly station: string
  readonly reason: string
}

export interface StationBack {
  readonly station: string
}

export interface RunAbandoned extends RunPlain {
  readonly reason: string
}
