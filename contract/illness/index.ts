import { diagnoses, symptoms } from '@tadka/core/illness'
import { z } from 'zod'
import { slug, words } from '../stream/envelope.ts'

const ms = z.number().int().min(0)

/** What somebody told who is ill, and what is known of it since. It stands in no log. */
export const illnessBody = z
  .strictObject({
    person: slug,
    symptoms: z.array(z.enum(symptoms)).max(symptoms.length),
    diagnosis: z.enum(diagnoses).nullable(),
    began: ms,
    freeSince: ms.nullable(),
    doctor: z.boolean(),
    authority: z.boolean(),
    covered: z.boolean(),
    /** When the authority was told; null: it was not. */
    toldAt: ms.nullable(),
    note: words(500),
  })
  .refine((i) => i.symptoms.length > 0 || i.diagnosis !== null, {
    path: ['symptoms'],
    message: 'says nothing of what it is',
  })
  .refine((i) => i.freeSince === null || i.freeSince >= i.began, {
    path: ['freeSince'],
    message: 'is before it began',
  })
export type IllnessBody = z.infer<typeof illnessBody>

export const illnesses = z.object({ illnesses: z.array(illnessBody.safeExtend({ id: slug })) })
export type IllnessKept = IllnessBody & { readonly id: string }
