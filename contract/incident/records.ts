import { incidentKinds, incidentRules } from '@tadka/core/incident'
import { z } from 'zod'
import { temperatureUnit } from '../rules/schemas.ts'
import { freeKey, instantMs, sha256, slug, words } from '../stream/envelope.ts'

const stations = z.array(slug).max(400)
const cleans = z.record(slug, z.array(slug).max(8))
const people = z.array(slug).max(200)
const read = z.strictObject({ value: z.number().min(-40).max(250), unit: temperatureUnit })

export const incidentPayloads = {
  'incident.opened@1': z
    .strictObject({
      kind: z.enum(incidentKinds),
      station: slug.nullable(),
      place: words(80),
      stations,
      cleans: cleans.nullable(),
    })
    // What lasts is cleaned once it is over, and not before.
    .refine((i) => incidentRules[i.kind].lasts === (i.cleans === null), 'waits for what it lasts on'),
  'incident.counted@1': z.strictObject({ out: people, notHere: people, others: words(200) }),
  'incident.known-good@1': z.strictObject({ at: instantMs.nullable() }),
  'incident.product@1': z.strictObject({ product: slug }),
  'incident.done@1': z.strictObject({
    task: freeKey(160).min(1),
    station: slug.nullable(),
    food: words(80).min(3).exactOptional(),
    read: read.exactOptional(),
    warmSince: instantMs.nullable().exactOptional(),
    kept: z.literal(true).exactOptional(),
    thrownOut: z.literal(true).exactOptional(),
    note: words(300),
    photo: sha256.nullable(),
  }),
  'incident.over@1': z.strictObject({ at: instantMs, cleans }),
  'incident.extent@1': z.strictObject({ stopped: z.boolean(), reason: words(300).min(3) }),
  'incident.approved@1': z.strictObject({
    way: z.enum(['authority', 'plan']),
    who: words(120).min(2),
    at: instantMs,
    photo: sha256.nullable(),
    conditions: z.array(words(300)).max(20),
  }),
  'incident.reopened@1': z.strictObject({ stations, ends: z.boolean() }),
  'incident.false-alarm@1': z.strictObject({ stations, reason: words(300).min(3) }),
}
