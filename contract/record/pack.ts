import { z } from 'zod'
import { slug } from '../stream/envelope.ts'

/** What a pack is made of, as it is asked for. */
export const packBody = z
  .strictObject({
    from: z.iso.date(),
    to: z.iso.date(),
    stations: z.array(slug).max(200),
    paper: z.enum(['A4', 'LETTER']),
    people: z.enum(['names', 'initials']),
  })
  .refine(({ from, to }) => from <= to, { path: ['to'], message: 'is not before the first day' })
