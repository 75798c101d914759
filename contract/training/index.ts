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
