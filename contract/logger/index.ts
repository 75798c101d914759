import type { LoggerImported, Measure } from '@tadka/core/logger'
import { z } from 'zod'
import { slug, words } from '../stream/envelope.ts'
import { loggerMapping } from './records.ts'

/** The largest file that is taken, bytes. */
export const mostBytes = 400 * 1024 * 1024

/** What is said beside a file's bytes, in the address. */
export const importQuery = z.object({
  station: slug,
  name: words(120).min(1),
  mapping: z
    .string()
    .max(4000)
    .transform((text, context) => {
      try {
        return JSON.parse(text) as unknown
      } catch {
        context.addIssue({ code: 'custom', message: 'is not JSON' })
        return z.NEVER
      }
    })
    .pipe(loggerMapping),
})

/** What became of a file. */
export interface ImportAnswer {
  readonly id: string
  /** It had been brought in before: nothing was changed. */
  readonly known: boolean
  readonly imported: LoggerImported
}

/** A file that was brought in. */
export interface LoggerFile {
  readonly id: string
  readonly imported: LoggerImported
  /** Milliseconds UTC. */
  readonly at: number
}

/** A file's rows drawn: the least and the most of each column in each of some stretches of equal length. */
export interface LoggerDrawing {
  /** Milliseconds UTC at the begin of each stretch. */
  readonly at: readonly number[]
  readonly columns: readonly {
    readonly measures: Measure
    readonly low: readonly (number | null)[]
    readonly high: readonly (number | null)[]
  }[]
}
