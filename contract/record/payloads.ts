import { noteKinds } from '@tadka/core/record'
import type { Payloads, RecordType } from '@tadka/core/stream'
import { z } from 'zod'
import { bathPayloads } from '../bath/records.ts'
import { casePayloads } from '../case/records.ts'
import { housePayloads } from '../house/records.ts'
import { incidentPayloads } from '../incident/records.ts'
import { loggerPayloads } from '../logger/records.ts'
import { peoplePayloads } from '../people/records.ts'
import { planPayloads } from '../plan/records.ts'
import { stationPayloads } from '../procedure/records.ts'
import { runPayloads, stepKey } from '../procedure/runs.ts'
import { readingPayloads } from '../reading/records.ts'
import { instantMs, sha256, slug, subjectRef, words } from '../stream/envelope.ts'
import { foodPayloads } from '../food/records.ts'
import { roundPayloads } from '../round/records.ts'
import { stockPayloads } from '../stock/records.ts'
import { pestPayloads } from '../pest/records.ts'
import { visitPayloads } from '../visit/records.ts'
import { shelfPayloads } from '../shelf/records.ts'
import { faultPayloads } from '../fault/records.ts'
import { labPayloads } from '../lab/records.ts'
import { taskPayloads } from '../task/records.ts'
import { rerunPayloads } from '../rerun/records.ts'
import { trainingPayloads } from '../training/records.ts'
import { dishPayloads } from '../warewash/records.ts'

/** The schema of each payload, by `type@version`. Old versions stay accepted for ever. */
export const payloadSchemas = {
  ...housePayloads,
  ...peoplePayloads,
  ...readingPayloads,
  ...bathPayloads,
  ...casePayloads,
  ...runPayloads,
  ...stationPayloads,
  ...planPayloads,
  ...dishPayloads,
  ...loggerPayloads,
  ...rerunPayloads,
  ...foodPayloads,
  ...roundPayloads,
  ...taskPayloads,
  ...pestPayloads,
  ...visitPayloads,
  ...shelfPayloads,
  ...faultPayloads,
  ...labPayloads,
  ...stockPayloads,
  ...trainingPayloads,
  ...incidentPayloads,
  'photo.attached@1': z.strictObject({
    station: slug,
    run: slug.nullable(),
    step: stepKey.nullable(),
    sha256,
    note: words(300),
  }),
  'record.amended@1': z.strictObject({
    target: z.uuid(),
    targetType: z.string().max(64),
    subjects: z.array(subjectRef).max(8),
    instead: z.unknown(),
    reason: words(500).min(3),
  }),
  'charge.taken@1': z.strictObject({ day: z.iso.date() }),
  'note.left@1': z.strictObject({
    day: z.iso.date(),
    kind: z.enum(noteKinds),
    station: slug.nullable(),
    said: words(300).min(3),
  }),
  'note.settled@1': z.strictObject({ day: z.iso.date(), note: slug }),
  'note.read@1': z.strictObject({ day: z.iso.date() }),
  'shift.reviewed@1': z.strictObject({
    day: z.iso.date(),
    upTo: instantMs,
    head: sha256.exactOptional(),
    exceptions: z.number().int().min(0).max(100_000).exactOptional(),
    note: words(500),
  }),
  'shift.signed@1': z.strictObject({
    day: z.iso.date(),
    upTo: instantMs,
    head: sha256.exactOptional(),
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
