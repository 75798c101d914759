import { z } from 'zod'
import { slug, words } from '../stream/envelope.ts'
import { secondSincePowerUp as second } from './power-up.ts'

/** What stands outside and reports: a dish machine's probe, an ice machine's panel, a thermometer, the meter of a dispenser. */
export const deviceKinds = ['dish-probe', 'ice-panel', 'thermometer', 'dispenser-meter'] as const
export type DeviceKind = (typeof deviceKinds)[number]

/** A device entered in House. A thermometer is one of the site's instruments, a meter counts one of its products. */
export const newDevice = z
  .strictObject({
    id: slug.max(24),
    name: words(80).min(1),
    kind: z.enum(deviceKinds).default('dish-probe'),
    station: slug.nullable(),
    /** The instrument, or the product. */
    of: slug.nullable().default(null),
  })
  .refine((d) => (d.kind === 'thermometer' ? true : d.station !== null), { message: 'needs a station' })
  .refine((d) => !['thermometer', 'dispenser-meter'].includes(d.kind) || d.of !== null, {
    message: 'needs the instrument or the product that it is of',
  })

export interface DeviceView {
  readonly id: string
  readonly name: string
  readonly kind: DeviceKind
  readonly station: string | null
  readonly of: string | null
  readonly endedAt: number | null
  /** Milliseconds UTC of its last delivery, or null. */
  readonly heardAt: number | null
}

const event = { n: z.number().int().min(0).max(2_000_000_000), at: second }

/** What other devices deliver: events numbered from power-up on, each at a second since power-up. */
export const eventsBody = z
  .strictObject({
    boot: z.string().regex(/^[a-z0-9-]{4,40}$/),
    uptime: second,
    events: z
      .array(
        z.discriminatedUnion('what', [
          /** A lamp of an ice machine's panel went on or off: it asks for cleaning. */
          z.strictObject({ ...event, what: z.literal('clean-light'), on: z.boolean() }),
          /** Ice cycles that have ended since it was made. */
          z.strictObject({ ...event, what: z.literal('cycles'), total: z.number().int().min(0) }),
          z.strictObject({
            ...event,
            what: z.literal('temperature'),
            value: z.number().min(-100).max(600),
            unit: z.enum(['°C', '°F']),
          }),
          /** mL since the event before. */
          z.strictObject({ ...event, what: z.literal('drawn'), millilitres: z.number().min(0).max(100_000) }),
        ]),
      )
      .min(1)
      .max(500),
  })
  .refine((d) => d.events.every((e) => e.at <= d.uptime), { message: 'events lie past the uptime' })
export type DeviceEvents = z.infer<typeof eventsBody>
export type DeviceEvent = DeviceEvents['events'][number]

/** What a thermometer that reports last read. */
export interface ReportedReading {
  readonly device: string
  readonly name: string
  readonly instrument: string
  /** Milliseconds UTC. */
  readonly at: number
  readonly value: number
  readonly unit: '°C' | '°F'
}
