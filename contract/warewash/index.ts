import { z } from 'zod'
import { secondSincePowerUp as second } from '../device/power-up.ts'

/** Seconds in one delivery: an hour that was buffered while the network was away. */
const mostSeconds = 3600
const column = z.array(z.number().min(-300).max(3000).nullable()).min(1).max(mostSeconds)

/** What a gateway delivers: one life of a probe, its seconds since power-up, and columns of equal length. */
export const deliveryBody = z
  .strictObject({
    /** Drawn anew at each power-up. */
    boot: z.string().regex(/^[a-z0-9-]{4,40}$/),
    /** Seconds since power-up when this was sent. */
    uptime: second,
    /** The second of the first sample; the others follow one by one. */
    from: second,
    /** °C, °C, kPa; null where the probe did not answer. */
    tank: column,
    rinse: column,
    pressure: column,
    /** Bits: 1 the pump runs, 2 the rinse valve is open, 4 the door is open. */
    on: z.array(z.number().int().min(0).max(7)).min(1).max(mostSeconds),
    /** mS/cm, where the probe reads it. */
    conductivity: column.optional(),
  })
  .refine(
    (d) => [d.rinse, d.pressure, d.on, d.conductivity ?? d.tank].every((c) => c.length === d.tank.length),
    { message: 'columns are not of equal length' },
  )
  .refine((d) => d.from + d.tank.length - 1 <= d.uptime, { message: 'samples lie past the uptime' })
export type Delivery = z.infer<typeof deliveryBody>

/** What the machine does now, as last streamed. */
export interface MachineNow {
  /** Milliseconds UTC of the last sample; null where none ever came. */
  readonly at: number | null
  readonly tank: number | null
  readonly rinse: number | null
  readonly pressure: number | null
  readonly conductivity: number | null
  readonly door: boolean
  readonly phase: 'idle' | 'wash' | 'pause' | 'rinse'
  /** Milliseconds UTC. */
  readonly since: number | null
}

/** A cycle's samples with some before and after, columns of equal length. */
export interface CycleTrace {
  /** Milliseconds UTC. */
  readonly at: readonly number[]
  readonly tank: readonly (number | null)[]
  readonly rinse: readonly (number | null)[]
  readonly pressure: readonly (number | null)[]
  readonly on: readonly number[]
}

/** One day of a station's cycles. */
export interface CycleDay {
  /** ISO date in the site's zone. */
  readonly day: string
  readonly racks: number
  readonly out: number
  readonly cannotTell: number
  readonly rinseMiddle: number | null
  readonly rinseLow: number | null
}
