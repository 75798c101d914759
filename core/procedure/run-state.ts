import type { Verdict } from '../rules/index.ts'
import { correctedAt, type AnyRecord } from '../stream/record.ts'
import type { LabelInForce } from './in-force.ts'
import type { Procedure } from './language.ts'
import { forMachine } from './counts.ts'
import { findProcedure } from './library/index.ts'
import type { Facts } from './payloads.ts'
import type { Tick } from './waiting.ts'

export interface DoneStep {
  readonly at: number
  readonly by: string
  readonly facts: Facts
  /** What was mixed or checked, by its label as the site had it then. */
  readonly label?: LabelInForce
  /** A wait that ended before its time: how long it lasted, and should have. */
  readonly short?: Short
  /** The machine's own numbers that a count told, by their names on the plate. */
  readonly told?: Readonly<Record<string, number>>
  /** Who answers for that, and why. */
  readonly overridden?: { readonly by: string; readonly reason: string }
}

/** Milliseconds that a wait lasted, and should have lasted. */
export interface Short {
  readonly ms: number
  readonly leastMs: number
}

export interface RunningWait {
  readonly startedAt: number
  readonly minutes: number
  readonly tick: Tick
}

export interface StepReading {
  readonly record: string
  readonly at: number
  readonly verdict: Verdict
  readonly case: string | null
}

/** Why a run was stopped. */
export interface Stop {
  readonly why: 'technician' | 'part-missing'
  readonly step: string
  /** The choice of the inspection, or the part. */
  readonly what: string
  readonly at: number
  readonly by: string
  /** Where the search for a part was given up: what was thrown away. */
  readonly lost?: string
}

export type RunStatus = 'not-started' | 'running' | 'parked' | 'stopped' | 'finished' | 'abandoned'

/** Somebody called for help at a step: when, and who came. Milliseconds UTC. */
export interface HelpCall {
  /** The record that called. */
  readonly id: string
  readonly step: string
  readonly at: number
  readonly by: string
  readonly answered: { readonly at: number; readonly by: string } | null
}

/** The call of a run that nobody has answered; null where there is none, or the run is over. */
export const openCall = (run: Pick<RunState, 'help' | 'status'>): HelpCall | null =>
  run.status === 'finished' || run.status === 'abandoned'
    ? null
    : (run.help?.findLast((c) => c.answered === null) ?? null)

/** One run of a procedure on a station: what is done, what waits, what was read. */
export interface RunState {
  readonly id: string
  readonly status: RunStatus
  readonly station: string
  readonly procedure: { readonly id: string; readonly version: number }
  readonly parameters: Readonly<Record<string, number>>
  readonly options: Readonly<Record<string, string>>
  /** The site's own procedure that it is worked to; null for one of the library. */
  readonly document: Procedure | null
  /** Whether what its steps do is worked out here; in runs of before that it was believed. */
  readonly judged: boolean
  /** Entered later, by somebody who did not see it on the tablet. */
  readonly entered: boolean
  readonly startedAt: number
  readonly startedBy: string
  readonly endedAt: number | null
  readonly reason: string
  /** By step key. */
  readonly done: Readonly<Record<string, DoneStep>>
  readonly waits: Readonly<Record<string, RunningWait>>
  /** Waits that were ended before their time and have not happened: by step key, until they are begun anew. */
  readonly cut: Readonly<Record<string, Short>>
  /** Visits of tended waits: instants by step key. */
  readonly visits: Readonly<Record<string, readonly number[]>>
  /** mL that its visits poured in, by step; absent where none did. */
  readonly used?: Readonly<Record<string, number>>
  readonly readings: Readonly<Record<string, readonly StepReading[]>>
  readonly stop: Stop | null
  /** It was said to be finished while something was left: it is, once that is done. Clocks order what lies moments apart. */
  readonly finishSaid: boolean
  /** Why it was begun in a state that it does not begin from, and by whose leave. */
  readonly startOverridden: { readonly by: string; readonly reason: string } | null
  /** Who began it without being signed off for it: somebody had to be by. Absent where they were, or nobody knows. */
  readonly learner?: string
  /** Who stood by while somebody learned, by their own PIN; and who looked on. Absent where nobody did. */
  readonly watched?: readonly { readonly learner: string; readonly by: string; readonly at: number }[]
  readonly shown?: readonly { readonly learner: string; readonly by: string; readonly at: number }[]
  /** Calls for help from it, the newest last; absent where nobody called. */
  readonly help?: readonly HelpCall[]
  /** Who acted last in it. */
  readonly lastBy: string
}

export const withoutKey = <V>(map: Readonly<Record<string, V>>, key: string): Record<string, V> =>
  Object.fromEntries(Object.entries(map).filter(([k]) => k !== key))

/** The machine's numbers without what a step told: it was taken back. */
export const withoutTold = (
  numbers: Readonly<Record<string, number>>,
  told: DoneStep['told'] = {},
): Readonly<Record<string, number>> =>
  Object.keys(told).reduce((left, name) => withoutKey(left, name), numbers)

/** The wait that somebody answers for having gone on from too early; null where none was. */
export const overriddenStep = (run: Pick<RunState, 'done'>): DoneStep | null =>
  Object.values(run.done).find((d) => d.overridden) ?? null

/** When a record was observed, by every clock that saw it. */
export const tickOf = (record: AnyRecord, boot: string | null): Tick => ({
  at: correctedAt(record),
  observedAt: record.observedAt,
  clockOffset: record.clockOffset,
  receivedAt: record.receivedAt,
  boot,
})

/**
 * The procedure that a run is worked to, at the version it was begun with, with the machine's own counts; null where it is not
 * known here.
 */
export function procedureOfRun(
  run: Pick<RunState, 'procedure'> & Partial<Pick<RunState, 'document' | 'parameters' | 'options'>>,
): Procedure | null {
  const found = run.document ?? findProcedure(run.procedure.id, run.procedure.version)
  return found && forMachine(found, run.parameters ?? {}, run.options ?? {})
}
