import { roles } from '@tadka/core/rights'
import { z } from 'zod'
import { sha256, slug, words } from '../stream/envelope.ts'

const role = z.enum(roles)
const personName = words(40).trim().min(1)

/** Who works here. */
export const personSet = z.strictObject({
  name: personName,
  role,
  login: z
    .string()
    .trim()
    .regex(/^[^\s]{2,40}$/, 'is 2 to 40 characters without a space')
    .nullable(),
  left: z.boolean(),
})

const secretSet = z.strictObject({
  what: z.enum(['pin', 'password']),
  toChange: z.boolean(),
  mark: sha256,
})

const tabletSet = z.strictObject({ tablet: slug, name: words(60), removed: z.boolean() })

export const peoplePayloads = {
  'person.set@1': personSet,
  'person.secret@1': secretSet,
  'tablet.set@1': tabletSet,
}
