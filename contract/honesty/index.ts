import { questionKinds, type Question, type QuestionKind } from '@tadka/core/honesty'
import { z } from 'zod'
import { instantMs, slug, words } from '../stream/envelope.ts'

/** How a manager answers a question that the log gave rise to: what was entered up to then is asked about no more. */
export const answerBody = z.strictObject({
  id: z.uuid(),
  kind: z.enum(questionKinds),
  person: slug,
  upTo: instantMs,
  how: z.enum(['dismissed', 'followed-up']),
  note: words(500).trim().min(3),
})
export type QuestionAnswer = z.infer<typeof answerBody>

export interface AnsweredQuestion extends Readonly<QuestionAnswer> {
  readonly kind: QuestionKind
  readonly by: string
  /** Milliseconds UTC. */
  readonly at: number
}

/** What is asked, and what came of what was. */
export interface QuestionList {
  readonly questions: readonly Question[]
  readonly answered: readonly AnsweredQuestion[]
}
