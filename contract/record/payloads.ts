import type { Payloads, RecordType } from '@tadka/core/stream'
import { z } from 'zod'
import {
  concentrateOpened,
  crewSet,
  instrumentChecked,
  instrumentSet,
  personSet,
  productSet,
  rosterSet,
  secretSet,
  siteSet,
  stationSet,
  tabletSet,
} from './house.ts'
import { instantMs, slug, subjectRef, words } from './envelope.ts'
import { procedureSchema } from '../procedure/schemas.ts'
import { pin, plan } from '../plan/schemas.ts'
import { localRuleSet } from '../rules/schemas.ts'
import { dishPayloads } from './dish.ts'
import { loggerPayloads } from './logger.ts'
import { readingTaken } from './reading.ts'
import { runPayloads, runPlain, stepKey } from './run.ts'
import { stationPayloads } from './station.ts'

const mL = z.number().min(0).max(1e7)

/** The schema of each payload, by `type@version`. Old versions stay accepted for ever. */
const bathMixed = z
  .strictObject({
    bath: slug,
    where: words(80),
    station: slug.nullable(),
    run: slug.nullable(),
    product: slug,
    use: slug.optional(),
    productName: words(80),
    volume: mL,
    poured: mL,
    tool: words(80),
    measured: z
      .strictObject({ amount: z.number().min(0), unit: z.enum(['g', 'pieces', 'strokes', 's']) })
      .optional(),
    target: z.number().min(0).nullable(),
    capacity: mL,
  })
  .refine((b) => b.volume <= b.capacity, {
    path: ['volume'],
    message: 'must be no more than the vessel holds',
  })

export const payloadSchemas = {
  'site.set@1': siteSet,
  'station.set@1': stationSet,
  'product.set@1': productSet,
  'instrument.set@1': instrumentSet,
  'concentrate.opened@1': concentrateOpened,
  'water.measured@1': z.strictObject({ hardness: z.number().min(0).max(3000), with: words(80) }),
  'concentrate.drawn@1': z.strictObject({
    product: slug,
    station: slug,
    millilitres: z.number().min(0).max(1_000_000),
  }),
  'instrument.checked@1': instrumentChecked,
  'rule.set@1': localRuleSet,
  'spare.set@1': z.strictObject({
    name: words(80).min(1),
    fits: z.array(z.string().max(60)).max(40),
    count: z.number().int().min(-1000).max(100_000),
  }),
  'spare.drawn@1': z.strictObject({ spare: slug, station: slug, count: z.number().int().min(1).max(1000) }),
  'roster.set@1': rosterSet,
  'crew.set@1': crewSet,
  'person.set@1': personSet,
  'person.secret@1': secretSet,
  'tablet.set@1': tabletSet,
  'plan.set@1': z.strictObject({
    day: z.iso.date(),
    start: instantMs,
    plan,
    bound: z.number().int(),
    pins: z.array(pin).max(300),
    putIn: z.array(z.string().max(200)).max(300),
    putOff: z.array(z.string().max(200)).max(300),
  }),
  'procedure.set@1': z.strictObject({ document: procedureSchema }),
  ...runPayloads,
  'follow-up.closed@1': z.strictObject({ ...runPlain, step: stepKey, note: words(300) }),
  'count.read@1': z.strictObject({
    station: slug,
    of: z.enum(['racks', 'shots', 'litres', 'cycles']),
    total: z.number().min(0).max(1e9),
  }),
  'sign.seen@1': z.strictObject({ station: slug, sign: slug, note: words(300) }),
  'station.laid-up@1': z.strictObject({ station: slug, reason: words(300).min(3) }),
  'station.back@1': z.strictObject({ station: slug }),
  ...stationPayloads,
  'bath.mixed@1': bathMixed,
  'ware.in@1': z.strictObject({ bath: slug, product: slug, basket: slug, boot: slug.optional() }),
  'ware.out@1': z.strictObject({ bath: slug, basket: slug, boot: slug.optional() }),
  'reading.taken@1': readingTaken,
  'photo.attached@1': z.strictObject({
    station: slug,
    run: slug.nullable(),
    step: stepKey.nullable(),
    sha256: z.string().regex(/^[0-9a-f]{64}$/),
    note: words(300),
  }),
  'case.action@1': z.strictObject({
    case: slug,
    station: slug.nullable(),
    run: slug.nullable(),
    bath: slug.nullable(),
    did: z.enum(['strengthened', 'weakened', 'drained-refilled', 'remixed', 'discarded', 'other']),
    amount: mL.nullable(),
    unit: z.enum(['mL', 'g', 'pieces', 'share']).optional(),
    note: words(500),
  }),
  'case.closed@1': z.strictObject({ case: slug, station: slug.nullable(), reason: words(500).min(3) }),
  'record.amended@1': z.strictObject({
    target: z.uuid(),
    targetType: z.string().max(64),
    subjects: z.array(subjectRef).max(8),
    instead: z.unknown(),
    reason: words(500).min(3),
  }),
  'shift.signed@1': z.strictObject({
    day: z.iso.date(),
    upTo: instantMs,
    head: z
      .string()
      .regex(/^[0-9a-f]{64}$/)
      .exactOptional(),
    openCases: z.array(slug).max(500),
    reason: words(500),
    left: z
      .array(
        z.strictObject({
          what: z.string().max(40),
          station: slug.exactOptional(),
          procedure: slug.exactOptional(),
        }),
      )
      .max(2000)
      .optional(),
  }),
  ...dishPayloads,
  ...loggerPayloads,
} as const satisfies Record<RecordType, z.ZodType>

type Parsed<T extends RecordType> = z.infer<(typeof payloadSchemas)[T]>
/** Units and readonly live in the core's types only; over the wire they are plain numbers. */
type Loose<T> = T extends number
  ? number
  : T extends object
    ? { [K in keyof T]: Loose<T[K]> | (object extends Pick<T, K> ? undefined : never) }
    : T
type Mismatched = { [T in RecordType]: Parsed<T> extends Loose<Payloads[T]> ? never : T }[RecordType]
type None<T extends never> = T
/** Fails to compile where a schema and the core's type have grown apart, and names the type. @public */
export type SchemasMatchCore = None<Mismatched>

export const isKnownType = (type: string): type is RecordType => Object.hasOwn(payloadSchemas, type)
