import { roles } from '@tadka/core/rights'
import { contactKinds } from '@tadka/core/house'
import { plateFaults } from '@tadka/core/plate'
import { z } from 'zod'
import { labelUse, temperatureUnit } from '../rules/schemas.ts'
import { chemicalClass, measuringTool, supply } from '../solution/schemas.ts'
import { freeKey, instantMs, slug, words } from './envelope.ts'

const localTime = z.string().regex(/^([0-2]\d|3[0-5]):[0-5]\d$/)
const agent = z.enum(['chlorine', 'quat', 'iodine', 'other'])

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
  units: z.enum(['metric', 'us']),
  freshHours: z.number().min(0).max(48),
  emergencyNumber: words(40),
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
  shared: z
    .partialRecord(z.enum(['sink', 'table', 'pail', 'pot']), z.number().int().min(0).max(50))
    .optional(),
  keepUp: z
    .array(z.strictObject({ stations: z.array(slug).max(50), mostDown: z.number().int().min(0).max(50) }))
    .max(50)
    .optional(),
  lastOfAll: z.array(slug).max(50).optional(),
})

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

export const secretSet = z.strictObject({
  what: z.enum(['pin', 'password']),
  toChange: z.boolean(),
  mark: z.string().regex(/^[0-9a-f]{64}$/),
})

export const tabletSet = z.strictObject({ tablet: slug, name: words(60), removed: z.boolean() })

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
})

function isTimeZone(zone: string): boolean {
  try {
    return new Intl.DateTimeFormat('en', { timeZone: zone }).resolvedOptions().timeZone !== ''
  } catch {
    return false
  }
}

const trigger = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('each-close') }),
  z.strictObject({ kind: z.literal('each-open') }),
  z.strictObject({
    kind: z.literal('hours'),
    hours: z.union([z.number().positive().max(1000), z.literal('room')]),
    counts: z.enum(['in-use', 'clock']),
  }),
  z.strictObject({ kind: z.literal('weekly'), day: z.number().int().min(1).max(7) }),
  z.strictObject({ kind: z.literal('months'), months: z.number().int().min(1).max(60) }),
  z.strictObject({
    kind: z.literal('count'),
    of: z.enum(['racks', 'shots', 'litres', 'cycles']),
    every: z.number().positive(),
  }),
  z.strictObject({ kind: z.literal('sign'), sign: slug }),
  z.strictObject({ kind: z.literal('predicted'), what: slug }),
  z.strictObject({ kind: z.literal('linked'), to: slug }),
])

/** Only what a plate can say: 900 °C is a slip of the finger, and what is mixed goes into what holds it. */
const plateParameters = z.record(freeKey(40), z.number()).superRefine((parameters, ctx) => {
  for (const fault of plateFaults(parameters))
    ctx.addIssue({
      code: 'custom',
      path: [fault.name],
      message:
        fault.because === 'range'
          ? `must be between ${fault.can.lo} and ${fault.can.hi} ${fault.unit}`
          : `must be no more than ${fault.other}`,
    })
})

export const stationSet = z.strictObject({
  name: words(80).min(1),
  tag: words(12),
  place: words(80),
  family: slug,
  model: words(80),
  parameters: plateParameters,
  duties: z
    .array(
      z.strictObject({
        procedure: slug,
        trigger,
        rule: words(200),
      }),
    )
    .max(50),
  options: z.record(freeKey(40), z.string().max(40)).optional(),
  up: z.enum(['rush', 'trading']).optional(),
  typical: z.literal(true).optional(),
  retired: z.literal(true).optional(),
})

export const productSet = z.strictObject({
  name: words(80).min(1),
  purpose: words(200),
  chemicalClass,
  agent: agent.nullable(),
  supply,
  uses: z
    .array(
      labelUse.extend({
        id: slug,
        range: labelUse.shape.range.nullable(),
        target: z.number().positive().nullable(),
        rinseAfter: z.boolean(),
        alsoWashes: z.boolean().optional(),
      }),
    )
    .max(20),
  ppe: z.array(words(80)).max(10),
  firstAid: words(300),
  neverWith: z.array(chemicalClass).max(10).nullable(),
})

export const instrumentSet = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('strip'),
    name: words(80),
    unit: z.enum(['ppm', 'pH']),
    agent: agent.nullable(),
    blocks: z.array(z.number().min(0)).min(2).max(12),
    colours: z.array(z.string().regex(/^#[0-9a-f]{6}$/)).max(12),
    bestBefore: instantMs,
    madeFor: z.array(slug).max(50).optional(),
  }),
  z.strictObject({
    kind: z.literal('thermometer'),
    name: words(80),
    unit: temperatureUnit,
    accuracy: z.number().positive(),
    checkDue: instantMs,
    station: slug.optional(),
  }),
  z.strictObject({
    kind: z.literal('pressure-gauge'),
    name: words(80),
    unit: z.enum(['kPa', 'psi']),
    accuracy: z.number().positive(),
    checkDue: instantMs,
    station: slug,
  }),
  z.strictObject({
    kind: z.literal('indicator'),
    name: words(80),
    unit: temperatureUnit,
    turnsAt: z.number(),
    bestBefore: instantMs,
  }),
  z.strictObject({
    kind: z.literal('titration'),
    name: words(80),
    agent,
    perDrop: z.number().positive(),
    bestBefore: instantMs,
    madeFor: z.array(slug).max(50).optional(),
  }),
  measuringTool.extend({ kind: z.literal('tool') }),
  z.strictObject({
    kind: z.literal('scale'),
    name: words(80),
    graduation: z.number().positive(),
    error: z.number().min(0),
  }),
  z.strictObject({
    kind: z.literal('dispenser'),
    name: words(80),
    product: slug,
    by: z.enum(['stroke', 'second']),
    millilitres: z.number().positive().max(10_000),
  }),
])

export const concentrateOpened = z.strictObject({
  product: slug,
  openedAt: instantMs,
  bestBefore: instantMs.nullable(),
  daysOnceOpen: z.number().positive().max(4000).nullable(),
  holds: z.number().positive().max(1_000_000).optional(),
})

export const instrumentChecked = z.discriminatedUnion('method', [
  z.strictObject({
    instrument: slug,
    method: z.literal('ice-point'),
    unit: temperatureUnit,
    read: z.number(),
    verdict: z.enum(['in', 'out']),
    due: instantMs,
  }),
  z.strictObject({
    instrument: slug,
    method: z.literal('delivery'),
    count: z.number().positive(),
    measured: z.number().min(0),
    ratio: z.number().min(0),
  }),
])
