import { machineKinds } from '@tadka/core/warewash'
import { isPlausible, type PlausibleKind } from '@tadka/core/quantity'
import { type JudgedQuantity, agents, hotWaterPractices, judgedQuantities } from '@tadka/core/rules'
import { z } from 'zod'

export const agent = z.enum(agents)
export const temperatureUnit = z.enum(['°C', '°F'])

/** A closed interval; null is open on that side. */
export const interval = z
  .strictObject({ lo: z.number().nullable(), hi: z.number().nullable() })
  .refine((i) => i.lo === null || i.hi === null || i.lo <= i.hi, 'the lower end lies above the upper end')

/** Ends of a reading may lie this far beyond what can be: as far as an instrument may be off. */
const slack = 5
const isReal = (kind: PlausibleKind, unit: string) => (i: z.infer<typeof interval>) =>
  isPlausible(kind, unit, i, slack)
const nonsense = 'this cannot be: check the number and its unit'
const read = (kind: PlausibleKind, unit: string) => interval.refine(isReal(kind, unit), nonsense)

export const labelUse = z.strictObject({
  name: z.string().max(120),
  range: z.strictObject({ lo: z.number().min(0), hi: z.number().min(0) }),
  temperature: z.strictObject({ c: z.number(), f: z.number() }).nullable(),
  hardestWater: z.number().min(0).nullable(),
  contactSeconds: z.number().min(0).nullable(),
  /** A rinse with drinking water follows, by the label. */
  rinseAfter: z.literal(true).optional(),
})

export const sanitizerReading = z.strictObject({
  agent,
  strength: read('strength', 'ppm').nullable(),
  temperature: z
    .strictObject({ unit: temperatureUnit, reading: interval })
    .refine((t) => isReal('water', t.unit)(t.reading), nonsense)
    .nullable(),
  ph: read('pH', 'pH').nullable(),
  hardness: read('hardness', 'mg/L').nullable(),
  label: labelUse.nullable(),
  plate: interval.optional(),
  local: z
    .array(z.strictObject({ name: z.string().max(120), range: interval, source: z.string().max(200) }))
    .max(10)
    .optional(),
})

const temperatureOf = (kind: PlausibleKind) =>
  z
    .strictObject({ unit: temperatureUnit, reading: interval })
    .refine((t) => isReal(kind, t.unit)(t.reading), nonsense)
const judgedTemperature = temperatureOf('water')
const pair = z.strictObject({ c: z.number(), f: z.number() })

export const dishMachineReading = z
  .strictObject({
    kind: z.enum(machineKinds),
    wash: judgedTemperature.nullable(),
    rinse: judgedTemperature.nullable(),
    /** In `pressureUnit`; absent: kPa. */
    pressure: interval.nullable(),
    pressureUnit: z.enum(['kPa', 'psi']).optional(),
    surface: judgedTemperature.nullable(),
    plate: z
      .strictObject({
        wash: pair.nullable(),
        rinse: pair.nullable(),
        /** kPa. */
        pressure: z.strictObject({ lo: z.number(), hi: z.number() }).nullable(),
      })
      .nullable(),
    /** How the site checks a hot-water machine; absent: at the manifold. */
    practice: z.enum(hotWaterPractices).optional(),
  })
  .refine((r) => r.pressure === null || isReal('pressure', r.pressureUnit ?? 'kPa')(r.pressure), nonsense)

/** Product kept cold. */
export const coldProductReading = z
  .strictObject({
    unit: temperatureUnit,
    value: z.number(),
    interval,
    notTcs: z.literal(true).optional(),
    store: z.literal(true).optional(),
  })
  .refine((r) => isPlausible('product', r.unit, r.value) && isReal('product', r.unit)(r.interval), nonsense)

export const hotWaterReading = z.strictObject({
  temperature: judgedTemperature.nullable(),
  seconds: z.number().min(0).max(7200).nullable(),
})

export const washWaterReading = z.strictObject({
  temperature: judgedTemperature.nullable(),
  label: pair.nullable(),
})

export const utensilsReading = z.strictObject({
  kept: z.enum(['room', 'refrigerated']),
  temperature: temperatureOf('room').nullable(),
  hours: z.number().min(0).max(10_000).nullable(),
})

export const utensilRoom = z.strictObject({
  /** Null for a room that is not refrigerated. */
  room: z.strictObject({ value: z.number(), unit: temperatureUnit }).nullable(),
})

export const judgedQuantity = z.enum(Object.keys(judgedQuantities) as [JudgedQuantity, ...JudgedQuantity[]])

const instantMs = z.number().int().min(0)

/** A rule of the site's own authority, without its id, as it stood when a reading was taken. */
const localRuleThen = z.strictObject({
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

/** One that is set now: about something that is judged, in a unit that it is read in. */
export const localRuleSet = localRuleThen.refine(
  (r) => r.quantity !== 'room' && (judgedQuantities[r.quantity] as readonly string[]).includes(r.unit),
  'what it is about is never read in this unit',
)

export const localRule = localRuleThen.extend({ id: z.string().max(64) })

/** A strip's card, palest first, and what was seen on it. */
export const stripRead = z.strictObject({
  blocks: z.array(z.number().min(0)).min(2).max(12),
  unit: z.enum(['ppm', 'pH']),
  pick: z.union([
    z.strictObject({ matches: z.number() }),
    z.strictObject({ between: z.tuple([z.number(), z.number()]) }),
    z.strictObject({ darkerThan: z.number() }),
  ]),
})

export const titrationRead = z.strictObject({
  drops: z.number().int().min(0).max(200),
  perDrop: z.number().positive().max(10_000),
})

export const thermometerRead = z.strictObject({
  value: z.number(),
  unit: temperatureUnit,
  medium: z.enum(['food', 'water']),
  /** Either way, in its own unit; null where no instrument is named. */
  accuracy: z.number().positive().max(50).nullable(),
  pastCheck: z.boolean().optional(),
  failed: z.boolean().optional(),
})

export const icePointRead = z.strictObject({ read: z.number(), unit: temperatureUnit })

/** °C at the ware, one every so many seconds. */
export const heatDoseRead = z.strictObject({
  temperatures: z.array(z.number().min(-5).max(115)).max(10_000),
  step: z.number().positive().max(60),
})
