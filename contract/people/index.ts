import { z } from 'zod'
import { isEasyPin, passwordLeast } from '@tadka/core/people'
import { staffRoles } from '@tadka/core/rights'
import { slug, words } from '../stream/envelope.ts'
import { siteSet } from '../house/site.ts'
import { personSet } from './records.ts'

const role = personSet.shape.role
export { personSet }
export const pin = z.string().regex(/^\d{4,8}$/, 'is 4 to 8 digits')

/** One that nobody would guess first. */
const goodPin = pin.refine((digits) => !isEasyPin(digits), 'must not repeat or count')
const goodPassword = z.string().min(passwordLeast, `is ${passwordLeast} characters at least`).max(200)

export const pinBody = z.strictObject({
  site: slug,
  person: slug,
  pin,
  device: slug,
  /** Instead of one that somebody else chose. */
  newPin: goodPin.optional(),
})

/** Somebody new: a PIN for tablets; a manager has a login and password too. */
export const newPersonBody = personSet.omit({ left: true }).extend({
  role: z.enum(staffRoles),
  pin: goodPin,
  password: goodPassword.nullable(),
})
/** @see personSet; who becomes a manager needs a password. */
export const changedPersonBody = personSet.extend({
  role: z.enum(staffRoles),
  password: goodPassword.nullable(),
})
export const pinResetBody = z.strictObject({ pin: goodPin })
/** One's own secrets, proved by the PIN or password that one has. */
export const ownSecretBody = z.discriminatedUnion('what', [
  z.strictObject({
    what: z.literal('pin'),
    /** What it is proved by; who forgot their PIN and has a password gives that. */
    by: z.enum(['pin', 'password']),
    now: z.string().min(1).max(200),
    next: goodPin,
  }),
  z.strictObject({
    what: z.literal('password'),
    by: z.literal('password'),
    now: z.string().min(1).max(200),
    next: goodPassword,
  }),
])

/** Founds the only site of an empty database. */
export const foundBody = z.strictObject({
  code: z
    .string()
    .max(20)
    .transform((text) => text.replaceAll(/[\s-]/g, '')),
  site: siteSet,
  manager: z.strictObject({
    name: personSet.shape.name,
    login: personSet.shape.login.unwrap(),
    password: goodPassword,
    pin: goodPin,
  }),
  device: slug,
  /** What this tablet is called from now on. */
  tablet: words(60).trim().min(1),
})

export const passwordBody = z.strictObject({
  login: words(80).min(1),
  password: z.string().min(1).max(200),
  device: slug,
})

export const signBody = z.strictObject({
  person: slug,
  pin,
  day: z.iso.date(),
  reason: words(500),
})

/** Days that were looked through, all signed with one PIN. */
export const reviewBody = z.strictObject({
  person: slug,
  pin,
  days: z.array(z.iso.date()).min(1).max(62),
  note: words(500),
})

export const tabletName = words(60).trim().min(1)

/** A browser becomes a tablet of a site: by a manager who is signed in on it, or by a code. */
export const newTabletBody = z.strictObject({ device: slug, name: tabletName })
export const enrolBody = newTabletBody.extend({
  /** Eight digits; spaces and dashes between them are left out. */
  code: z
    .string()
    .max(20)
    .transform((text) => text.replaceAll(/[\s-]/g, '')),
})
export const tabletNameBody = z.strictObject({ name: tabletName })

export const tabletView = z.object({
  id: slug,
  name: z.string(),
  enrolledAt: z.number(),
  enrolledBy: slug.nullable(),
  revokedAt: z.number().nullable(),
  usedAt: z.number().nullable(),
})
export type TabletView = z.infer<typeof tabletView>
export const tabletList = z.object({
  /** The one that asks, where it is one. */
  own: slug.nullable(),
  tablets: z.array(tabletView),
})
export type TabletList = z.infer<typeof tabletList>
export const codeView = z.object({ code: z.string(), endsAt: z.number() })
export type CodeView = z.infer<typeof codeView>

const person = z.object({ id: slug, name: z.string(), role })
export type Person = z.infer<typeof person>

export const sessionView = z.object({
  site: slug.nullable(),
  device: slug.nullable(),
  /** Each with the pass that what they do here carries. */
  people: z.array(person.extend({ pass: z.string() })),
  serverTime: z.number(),
})
export type SessionView = z.infer<typeof sessionView>

/** Names are told to a tablet of the site, and to whoever is signed in; to any other browser whether there is a site at all. */
export const frontDoor = z.object({
  hasSite: z.boolean(),
  tablet: z.object({ id: slug, name: z.string() }).nullable(),
  site: z.object({ id: slug, name: z.string() }).nullable(),
  people: z.array(
    person.extend({
      /** The tablets on which their PIN is locked. */
      lockedOn: z.array(z.object({ id: slug, name: z.string() })),
    }),
  ),
})
export type FrontDoor = z.infer<typeof frontDoor>
export type PersonAtDoor = FrontDoor['people'][number]
export { trustView, type TrustView } from './trust.ts'
export * from './inspection.ts'
