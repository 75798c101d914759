import { z } from 'zod'
import { slug, words } from '../stream/envelope.ts'
import { localTime } from './site.ts'

export const rosterSet = z.strictObject({
  day: z.iso.date(),
  shifts: z
    .array(
      z.strictObject({
        person: slug,
        from: localTime,
        to: localTime,
        breaks: z
          .array(
            z.strictObject({
              minutes: z.number().int().min(1).max(240),
              earliest: localTime,
              latest: localTime,
            }),
          )
          .max(5),
        away: z.boolean().optional(),
      }),
    )
    .max(200),
})

export const crewSet = z.strictObject({
  signedOff: z.array(slug).max(200),
  learning: z.array(slug).max(200),
  serves: z.array(slug).max(5),
  home: words(80).nullable(),
  keys: z.boolean().optional(),
})
