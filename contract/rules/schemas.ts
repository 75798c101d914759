import { z } from 'zod'

export const temperatureUnit = z.enum(['°C', '°F'])

/** A closed interval; null is open on that side. */
export const interval = z
  .strictObject({ lo: z.number().nullable(), hi: z.number().nullable() })
  .refine((i) => i.lo === null || i.hi === null || i.lo <= i.hi, 'the lower end lies above the upper end')

export const labelUse = z.strictObject({
  name: z.string().max(120),
  range: z.strictObject({ lo: z.number().min(0), hi: z.number().min(0) }),
  temperature: z.strictObject({ c: z.number(), f: z.number() }).nullable(),
  hardestWater: z.number().min(0).nullable(),
  contactSeconds: z.number().min(0).nullable(),
})

export const sanitizerReading = z.strictObject({
  agent: z.enum(['chlorine', 'quat', 'iodine', 'other']),
  strength: interval.nullable(),
  temperature: z.strictObject({ unit: temperatureUnit, reading: interval }).nullable(),
  ph: interval.nullable(),
  hardness: interval.nullable(),
  label: labelUse.nullable(),
  local: z
    .array(z.strictObject({ name: z.string().max(120), range: interval, source: z.string().max(200) }))
    .max(10)
    .optional(),
})

const judgedTemperature = z.strictObject({ unit: temperatureUnit, reading: interval })
const pair = z.strictObject({ c: z.number(), f: z.number() })

export const dishMachineReading = z.strictObject({
  kind: z.enum(['stationary-single', 'stationary-dual', 'conveyor-dual', 'conveyor-multi', 'chemical']),
  wash: judgedTemperature.nullable(),
  rinse: judgedTemperature.nullable(),
  pressure: interval.nullable(),
  surface: judgedTemperature.nullable(),
  plate: z
    .strictObject({
      wash: pair.nullable(),
      rinse: pair.nullable(),
      pressure: z.strictObject({ lo: z.number(), hi: z.number() }).nullable(),
    })
    .nullable(),
})

export const hotWaterReading = z.strictObject({
  temperature: judgedTemperature.nullable(),
  seconds: z.number().min(0).nullable(),
})

export const washWaterReading = z.strictObject({
  temperature: judgedTemperature.nullable(),
  label: pair.nullable(),
})

export const utensilsReading = z.strictObject({
  kept: z.enum(['room', 'refrigerated']),
  temperature: judgedTemperature.nullable(),
  hours: z.number().min(0).max(10_000).nullable(),
})

export const utensilRoom = z.strictObject({
  /** Null for a room that is not refrigerated. */
  room: z.strictObject({ value: z.number(), unit: temperatureUnit }).nullable(),
})

export const judgedQuantity = z.enum([
  'chlorine',
  'iodine',
  'quat',
  'strength',
  'temperature',
  'pH',
  'hardness',
  'wash',
  'rinse',
  'pressure',
  'surface',
  'time',
  'hours',
])

const instantMs = z.number().int().min(0)

/** A rule of the site's own authority, without its id. */
export const localRuleSet = z.strictObject({
  authority: z.string().min(1).max(80),
  effect: z.union([
    z.strictObject({ kind: z.literal('adds') }),
    z.strictObject({ kind: z.literal('replaces'), section: z.string().min(3).max(40) }),
  ]),
  quantity: judgedQuantity,
  unit: z.string().min(1).max(12),
  limit: interval.refine((i) => i.lo !== null || i.hi !== null, 'needs at least one end'),
  from: instantMs,
  until: instantMs.nullable(),
  reason: z.string().trim().min(3).max(300),
})

export const localRule = localRuleSet.extend({ id: z.string().max(64) })
