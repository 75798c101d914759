import type { Answer, Because, Question } from '@tadka/core/lesson'
import type { ParameterUnit } from '@tadka/core/procedure'
import { z } from 'zod'
import { slug } from '../stream/envelope.ts'

export { trainingPaper } from './records.ts'

const pin = z.string().regex(/^\d{4,8}$/, 'is 4 to 8 digits')

/** Somebody stands by at a run, by their own PIN. */
export const watchBody = z.strictObject({ person: slug, pin, run: slug })

/** A lead signs somebody off, by their own PIN. */
export const signOffBody = z.strictObject({
  person: slug,
  pin,
  learner: slug,
  procedures: z.array(slug).min(1).max(60),
})

const runs = z.object({ shown: z.number().int(), watched: z.number().int() })
/** Runs that count towards somebody's next sign-off, by procedure. */
export const countedRuns = z.object({ counted: z.record(z.string(), runs) })
export type CountedRuns = z.infer<typeof countedRuns>

/** A check on a procedure; null: what was wrong before, which counts for nothing. */
export const beginCheckBody = z.strictObject({ procedure: slug.nullable() })
export const answersBody = z.strictObject({ answers: z.array(z.number().int().min(0).max(10)).max(40) })

/** What is asked, as the core makes it; what is right stays with the server until it is answered. */
const asks = z.custom<Question['asks']>()
const answer = z.custom<Answer>()
export const askedCheck = z.object({
  id: z.uuid(),
  questions: z.array(
    z.object({
      asks,
      answers: z.array(answer),
      /** The machine's numbers and their units, for the words of its steps. */
      numbers: z.object({
        of: z.record(z.string(), z.number()),
        units: z.record(z.string(), z.custom<ParameterUnit>()),
      }),
    }),
  ),
})
export type AskedCheck = z.infer<typeof askedCheck>
export const markedCheck = z.object({
  asked: z.number().int(),
  right: z.number().int(),
  passPercent: z.number(),
  passed: z.boolean(),
  /** Whether it is in the log: going over what was wrong is not. */
  counts: z.boolean(),
  questions: z.array(z.object({ right: z.number().int(), because: z.custom<Because>() })),
})
export type MarkedCheck = z.infer<typeof markedCheck>
export const comingAgain = z.object({ due: z.number().int() })
