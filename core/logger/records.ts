import type { Fold } from '../stream/fold.ts'
import type { RulesOf } from '../stream/rules.ts'
import type { Verdict } from '../rules/index.ts'
import type { LoggerMapping } from './mapping.ts'
import type { LoggerSummary, Pass } from './series.ts'

/** How many came out how. */
export type Tally = Readonly<Record<Verdict, number>>

/** A logger's file that was brought in: what it held, and what it told. Its rows are kept beside the log. */
export interface LoggerImported {
  readonly station: string
  /** SHA-256 of the file's bytes. */
  readonly sha256: string
  readonly name: string
  readonly mapping: LoggerMapping
  readonly summary: LoggerSummary
  /** Cycles cut out of it and judged: each is a record of its own; null where it holds no machine's signals. */
  readonly cycles: { readonly judged: Tally; readonly known: number } | null
  /** Rides of a logger in the rack, the last of them; and how many in all. */
  readonly passes: { readonly count: number; readonly judged: Tally; readonly last: readonly Pass[] } | null
}

/** A file taken back: wrong station, wrong column. Its rows are let go, the entry stays in the log. */
export interface LoggerWithdrawn {
  readonly station: string
  readonly reason: string
}

export interface LoggerState extends Partial<LoggerImported> {
  readonly id: string
  readonly at: number | null
  readonly by: string | null
  readonly withdrawn: { readonly at: number; readonly by: string; readonly reason: string } | null
}

/** A file's subject is named by the begin of its hash. */
export const loggerId = (sha256: string): string => sha256.slice(0, 40)

export const loggerFold: Fold<LoggerState> = {
  initial: (id) => ({ id, at: null, by: null, withdrawn: null }),
  apply(state, record) {
    const at = record.receivedAt
    if (record.type === 'logger.imported@1')
      return { ...state, ...record.payload, at, by: record.by, withdrawn: null }
    if (record.type === 'logger.withdrawn@1')
      return { ...state, withdrawn: { at, by: record.by, reason: record.payload.reason } }
    return state
  },
}

export const tallyOf = (verdicts: readonly Verdict[]): Tally => {
  const count = (v: Verdict) => verdicts.filter((x) => x === v).length
  return {
    in: count('in'),
    'too-close': count('too-close'),
    out: count('out'),
    'cannot-tell': count('cannot-tell'),
  }
}

interface LoggerPayloads {
  'logger.imported@1': LoggerImported
  'logger.withdrawn@1': LoggerWithdrawn
}

declare module '../stream/record.ts' {
  interface Payloads extends LoggerPayloads {}
}

export const loggerRecords: RulesOf<keyof LoggerPayloads> = {
  'logger.imported@1': { needs: 'bring-in', madeBy: 'device' },
  'logger.withdrawn@1': { needs: 'bring-in', madeBy: 'device' },
}
