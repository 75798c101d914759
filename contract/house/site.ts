import { unitSystems } from '@tadka/core/quantity'
import { contactKinds, planWishes, sharedPlaces } from '@tadka/core/house'
import { z } from 'zod'
import { slug, words } from '../stream/envelope.ts'

/** Local wall-clock time; past midnight it is written past 24:00. */
export const localTime = z.string().regex(/^([0-2]\d|3[0-5]):[0-5]\d$/)

export const siteSet = z.strictObject({
  name: words(80),
  timeZone: z.string().max(64).refine(isTimeZone, 'is not a time zone'),
  country: z
    .string()
    .regex(/^[A-Z]{2}$/)
    .optional(),
  hours: z.partialRecord(
    z.enum(['1', '2', '3', '4', '5', '6', '7']),
    z.strictObject({ open: localTime, close: localTime }),
  ),
  closedDays: z.array(z.iso.date()).max(400),
  sailings: z
    .array(
      z.strictObject({
        departs: localTime,
        days: z.array(z.number().int().min(1).max(7)),
        load: z.number().min(0).max(10),
      }),
    )
    .max(100),
  rushes: z
    .array(
      z.strictObject({
        from: localTime,
        to: localTime,
        days: z.array(z.number().int().min(1).max(7)).min(1).max(7),
        load: z.number().min(0).max(10),
      }),
    )
    .max(100)
    .optional(),
  units: z.enum(unitSystems),
  freshHours: z.number().min(0).max(48),
  rerunDays: z.number().int().min(1).max(7).exactOptional(),
  emergencyNumber: words(40),
  eyeWash: words(200).exactOptional(),
  meetingPoint: words(200).exactOptional(),
  timeOnly: z
    .strictObject({ hours: z.union([z.literal(4), z.literal(6)]), written: words(200).min(3) })
    .exactOptional(),
  milkAt7: z.literal(true).exactOptional(),
  outagePlan: z
    .strictObject({ approvedBy: words(120).min(2), conditions: z.array(words(300).min(3)).min(1).max(20) })
    .exactOptional(),
  contacts: z
    .array(
      z.strictObject({
        kind: z.enum(contactKinds),
        name: words(80).min(1),
        phone: words(40).min(2),
      }),
    )
    .max(12)
    .optional(),
  schools: z.record(slug, slug).optional(),
  training: z
    .strictObject({
      watched: z.number().int().min(0).max(20),
      passPercent: z.number().int().min(50).max(100),
      months: z.number().int().min(1).max(60).nullable(),
    })
    .exactOptional(),
  bath: z
    .strictObject({ testHours: z.number().positive().max(48), changeHours: z.number().positive().max(48) })
    .optional(),
  counters: z
    .array(
      z.strictObject({
        id: slug,
        name: words(80).min(1),
        quiet: z.number().int().min(0).max(50),
        rush: z.number().int().min(0).max(50),
      }),
    )
    .max(5)
    .optional(),
  shared: z.partialRecord(z.enum(sharedPlaces), z.number().int().min(0).max(50)).optional(),
  keepUp: z
    .array(z.strictObject({ stations: z.array(slug).max(50), mostDown: z.number().int().min(0).max(50) }))
    .max(50)
    .optional(),
  preferred: z.record(slug, slug).optional(),
  walks: z
    .array(
      z.strictObject({ between: z.tuple([words(80), words(80)]), minutes: z.number().int().min(1).max(60) }),
    )
    .max(100)
    .optional(),
  lastOfAll: z.array(slug).max(50).optional(),
  prices: z
    .strictObject({
      hour: z.number().min(0).max(1e6).exactOptional(),
      water: z.number().min(0).max(1e6).exactOptional(),
    })
    .exactOptional(),
  planning: z
    .strictObject({
      wish: z.enum(planWishes).optional(),
      neverAlone: z.boolean().optional(),
      keys: z.boolean().optional(),
      closedBy: localTime.optional(),
      breaks: z
        .strictObject({ hours: z.number().min(1).max(12), minutes: z.number().int().min(5).max(120) })
        .optional(),
      placeAreas: z.partialRecord(z.enum(sharedPlaces), words(80).min(1)).optional(),
    })
    .exactOptional(),
})

function isTimeZone(zone: string): boolean {
  try {
    return new Intl.DateTimeFormat('en', { timeZone: zone }).resolvedOptions().timeZone !== ''
  } catch {
    return false
  }
}
