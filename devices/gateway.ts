import type { DeviceEvent } from '@tadka/contract/device'
import type { Delivery } from '@tadka/contract/warewash'
import type { MachineSample } from './dish-machine.ts'

/** What a gateway does to a stream on its way. */
export interface GatewayFaults {
  /** Every delivery is sent so many times. */
  readonly times?: number
  /** Deliveries are held back and sent in reverse. */
  readonly reversed?: boolean
}

export interface SenderOptions {
  readonly url: string
  /** The whole header: `Device SITE/DEVICE/TOKEN`. */
  readonly authorization: string
  /** This power-up. */
  readonly boot: string
  /** Tries at one delivery, and ms between them: the second, twice as long the third… */
  readonly tries?: number
  readonly pauseMs?: number
  readonly send?: typeof fetch
}

export interface GatewayOptions extends SenderOptions {
  /** Seconds to a delivery. */
  readonly batch?: number
}

const bits = (s: MachineSample) => (s.pump ? 1 : 0) | (s.valve ? 2 : 0) | (s.door ? 4 : 0)
const rounded = (value: number) => (Number.isNaN(value) ? null : Math.round(value * 100) / 100)

/** Samples that follow each other second by second, as a delivery. */
export function deliveryOf(samples: readonly MachineSample[], boot: string, uptime: number): Delivery {
  return {
    boot,
    uptime,
    from: samples[0]?.at ?? 0,
    tank: samples.map((s) => rounded(s.tank)),
    rinse: samples.map((s) => rounded(s.rinse)),
    pressure: samples.map((s) => rounded(s.pressure)),
    conductivity: samples.map((s) => rounded(s.conductivity)),
    on: samples.map(bits),
  }
}

/** Posts as a gateway does: with its token, again and again while the server is away. Throws where it refuses for good. */
function poster({ url, authorization, tries = 5, pauseMs = 500, send = fetch }: SenderOptions) {
  return async (path: string, body: object): Promise<void> => {
    for (let attempt = 1; ; attempt++) {
      try {
        const answer = await send(`${url}${path}`, {
          method: 'POST',
          headers: { authorization, 'content-type': 'application/json' },
          body: JSON.stringify(body),
        })
        if (answer.ok) return
        const passing = answer.status >= 500 || answer.status === 429
        if (!passing || attempt >= tries) throw new Error(`refused: ${answer.status} ${await answer.text()}`)
      } catch (error) {
        if (attempt >= tries || (error instanceof Error && error.message.startsWith('refused'))) throw error
      }
      await new Promise((resolve) => setTimeout(resolve, pauseMs * 2 ** (attempt - 1)))
    }
  }
}

/** What a device reports, without its number. */
export type Reported = DeviceEvent extends infer E ? (E extends DeviceEvent ? Omit<E, 'n'> : never) : never

/** Reports events of a panel, a thermometer or a meter, numbered from power-up on. */
export function eventGateway(options: SenderOptions, faults: GatewayFaults = {}) {
  const post = poster(options)
  let n = 0
  return {
    /** @param uptime seconds since power-up, now. */
    async report(events: readonly Reported[], uptime: number): Promise<void> {
      if (events.length === 0) return
      const numbered = events.map((e) => ({ ...e, n: n++ }))
      if (faults.reversed) numbered.reverse()
      const body = { boot: options.boot, uptime, events: numbered }
      for (let i = 0; i < (faults.times ?? 1); i++) await post('/api/devices/events', body)
    },
  }
}

/** Streams as a probe's gateway does, in batches. Throws where the server refuses for good. */
export function gateway(options: GatewayOptions, faults: GatewayFaults = {}) {
  const { boot, batch = 600 } = options
  const post = poster(options)

  return {
    /** Sends samples in batches; those with seconds missing between them are parted there. @param uptime seconds since power-up, now. */
    async deliver(samples: readonly MachineSample[], uptime: number): Promise<void> {
      const parts: MachineSample[][] = []
      for (const s of samples) {
        const part = parts.at(-1)
        if (part && part.length < batch && part.at(-1)?.at === s.at - 1) part.push(s)
        else parts.push([s])
      }
      if (faults.reversed) parts.reverse()
      for (const part of parts)
        for (let n = 0; n < (faults.times ?? 1); n++)
          await post('/api/devices/samples', deliveryOf(part, boot, uptime))
    },
  }
}
