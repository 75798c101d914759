import type { Counted } from '../house/station.ts'
import type { Assembly, Facets } from './facets.ts'
import type { Procedure } from './language.ts'

/** A flat set of facts about a step: what was poured, counted, chosen. Units are in the names. */
export type Facts = Readonly<Record<string, string | number | boolean | null>>

export interface RunPlain {
  readonly run: string
  readonly station: string
}

export interface RunStep extends RunPlain {
  /** The step's key: its id, after those of the groups, rounds and lanes it stands in ("barrels.1.rinse.2.drain"). */
  readonly step: string
}

/** Names its procedure, so that what counts since it was last done can start anew. */
export interface RunFinished extends RunPlain {
  readonly procedure?: string
}

/** What it starts from (numbers, options, the site's own procedure) the server takes from the site's records. */
export interface RunStarted extends RunPlain {
  readonly procedure: { readonly id: string; readonly version: number }
}

/** As tablets once sent it. What came with it was believed; records of then keep folding so. */
export interface RunStartedV1 extends RunStarted {
  readonly parameters: Readonly<Record<string, number>>
  readonly options?: Readonly<Record<string, string>>
  readonly document?: Procedure
}

export interface StepDone extends RunStep {
  readonly facts: Facts
  /** The device's time since it was switched on: see `Tick`. */
  readonly boot?: string
}

export interface StepDoneV1 extends RunStep {
  readonly kind: string
  readonly facts: Facts
  readonly effects: Partial<Facets>
  readonly before: Partial<Facets>
}

export type StepUndone = RunStep

export interface StepUndoneV1 extends RunStep {
  readonly restores: Partial<Facets>
}

export interface WaitStarted extends RunStep {
  readonly boot?: string
}

export interface WaitStartedV1 extends RunStep {
  readonly minutes: number
  readonly effects: Partial<Facets>
  readonly before: Partial<Facets>
}

/** A visit of a tended wait: what it did is its step's duty. */
export interface VisitMade extends RunStep {
  /** What it poured in, mL; absent where it poured nothing, or nobody counts it. */
  readonly millilitres?: number
}

/** A shift lead answers with their own PIN for what did not happen as it must. Made by the server only. */
export interface RunOverridden extends RunStep {
  /** `wait`: a wait ended before its time. `start`: begun in a state that it does not begin from; `step` is empty. */
  readonly what: 'wait' | 'start'
  readonly reason: string
}

/** A run done without the tablet, entered later by a shift lead with their PIN. Made by the server only. */
export interface RunEntered extends RunPlain {
  readonly procedure: { readonly id: string; readonly version: number }
  /** Milliseconds UTC, as it is told. */
  readonly from: number
  readonly to: number
  /** Who did it. */
  readonly who: string
  /** What was read, in words. */
  readonly read: string
}

/** A part that should be there is not: the machine stops until it is found. */
export interface PartMissing extends RunStep {
  readonly part: string
}

export interface PartFound extends RunStep {
  readonly part: string
  readonly where: string
}

/** The search was given up: what was thrown away instead. */
export interface PartLost extends RunStep {
  readonly part: string
  readonly discarded: string
}

/** What an inspection asked for was done, or is no longer needed. */
export interface FollowUpClosed extends RunStep {
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

/** Taken out of service by somebody who saw why. */
export interface StationStopped {
  readonly station: string
  readonly reason: string
}

/** Back in service, by a shift lead: what was mended and what proved it. It gives back neither whole nor sanitized. */
export interface StationReturned {
  readonly station: string
  readonly mended: string
  readonly proof: string
}

/** How a machine stands, as somebody sees it. It never makes anything clean or sanitized. */
export interface StationObserved {
  readonly station: string
  readonly contents: 'product' | 'empty'
  readonly assembly: Assembly
  readonly power: 'on' | 'off' | 'isolated'
}

/** What makes a stopped or abandoned machine safe. */
export const safeActs = ['drained', 'rinsed', 'switched-off', 'feeds-on'] as const
export type SafeAct = (typeof safeActs)[number]

export interface MadeSafe {
  readonly station: string
  readonly did: SafeAct
}

/** A duty of a day gone by that will not be done any more, closed by a shift lead with the reason. */
export interface DutyClosed {
  readonly station: string
  readonly procedure: string
  /** ISO date of the trading day. */
  readonly day: string
  readonly reason: string
}

/** Whoever works calls for help: it reaches the leads' screens. `step` is empty where none is at hand. */
export type HelpCalled = RunStep

/** Somebody comes. `call` is the id of the record that called. */
export interface HelpAnswered extends RunPlain {
  readonly call: string
}

export interface RunAbandoned extends RunPlain {
  readonly reason: string
}

/** A site's own procedure: a copy of one of the library, with its own numbers. A version is never changed, only followed. */
export interface ProcedureSet {
  readonly document: Procedure
}

/** The version that is worked to from a trading day (ISO date) on; null for the library's. */
export interface ProcedurePut {
  readonly version: number | null
  readonly from: string
}
