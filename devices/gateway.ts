import type { Delivery } from '@tadka/contract/warewash'
import type { MachineSample } from './dish-machine.ts'

/** What a gateway does to a stream on its way. */
export interface GatewayFaults {
  /** Every delivery is sent so many times. */
  readonly times?: number
  /** Deliveries are held back and sent in reverse. */
  readonly reversed?: boolean
}

export interface GatewayOptions {
  readonly url: string
  /** The whole header: `Device SITE/DEVICE/TOKEN`. */
  readonly authorization: string
  /** This power-up. */
  readonly boot: string
  /** Seconds to a delivery. */
  readonly batch?: number
  /** Tries at one delivery, and ms between them: the second, twice as long the third… */
  readonly tries?: number
  readonly pauseMs?: number
  readonly send?: typeof fetch
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

/** Speaks to the server as a gateway does: HTTP with its token, batches, tries again. Throws where the server refuses for good. */
export function gateway(options: GatewayOptions, faults: GatewayFaults = {}) {
  const { url, authorization, boot, batch = 600, tries = 5, pauseMs = 500, send = fetch } = options

  async function post(delivery: Delivery): Promise<void> {
    for (let attempt = 1; ; attempt++) {
      try {
        const answer = await send(`${url}/api/devices/samples`, {
          method: 'POST',
          headers: { authorization, 'content-type': 'application/json' },
          body: JSON.stringify(delivery),
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
        for (let n = 0; n < (faults.times ?? 1); n++) await post(deliveryOf(part, boot, uptime))
    },
  }
}
