import { z } from 'zod'
import { slug } from '../record/envelope.ts'

export const role = z.enum(['crew', 'lead', 'manager'])

export const pinBody = z.strictObject({
  site: slug,
  person: slug,
  pin: z.string().regex(/^\d{4,8}$/, 'is 4 to 8 digits'),
  device: slug,
})

export const passwordBody = z.strictObject({
  site: slug,
  login: z.string().min(1).max(80),
  password: z.string().min(1).max(200),
  device: slug,
})

export const signBody = z.strictObject({
  person: slug,
  pin: z.string().regex(/^\d{4,8}$/, 'is 4 to 8 digits'),
  day: z.iso.date(),
  reason: z.string().max(500),
})

const person = z.object({ id: slug, name: z.string(), role, locked: z.boolean() })
export type Person = z.infer<typeof person>

export const sessionView = z.object({
  site: slug.nullable(),
  device: slug.nullable(),
  people: z.array(person),
  serverTime: z.number(),
})
export type SessionView = z.infer<typeof sessionView>

export const frontDoor = z.object({
  sites: z.array(z.object({ id: slug, name: z.string(), people: z.array(person) })),
})
export type FrontDoor = z.infer<typeof frontDoor>
