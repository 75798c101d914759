import type { Sample } from '../../warewash/index.ts'

/** A made-up rack: what the machine does second by second, and what its probes read. */
export interface Rack {
  /** Seconds of the pump, of the pause after it, of the rinse, and of standing by before the next: unloaded, if below a minute. */
  readonly wash?: number
  readonly pause?: number
  readonly rinse?: number
  readonly idle?: number
  /** °C of the tank; °C at the manifold, held once the probe has followed; kPa while it rinses. */
  readonly tank?: number
  readonly hot?: number
  readonly pressure?: number
  /** The door is opened so many seconds after the pump's start. */
  readonly doorAt?: number
}

/** Samples of racks one after another, one a second, beginning with a short stand-by. The manifold's probe lags by 1.5 s. */
export function racks(list: readonly Rack[], from = 0): Sample[] {
  const samples: Sample[] = []
  let at = from
  let rinse = 60
  const put = (on: Partial<Sample>, tank: number, target: number, pressure: number) => {
    rinse += (target - rinse) * (1 - Math.exp(-1 / 1.5))
    // A little unrest, the same every time: a probe that stands still is taken to be stuck.
    const unrest = ((at * 7919) % 13) / 65 - 0.1
    samples.push({
      at,
      tank: tank + unrest,
      rinse: rinse + unrest / 10,
      pressure: pressure + unrest,
      pump: false,
      valve: false,
      door: false,
      ...on,
    })
    at++
  }
  for (let i = 0; i < 10; i++) put({}, 68, 60, 0)
  for (const r of list) {
    const { wash = 45, pause = 3, rinse: spray = 14, idle = 30, tank = 68, hot = 84, pressure = 140 } = r
    const whole = wash + pause + spray
    for (let s = 0; s < whole; s++) {
      if (s === r.doorAt) {
        for (let i = 0; i < 6; i++) put({ door: true }, tank, 60, 0)
        break
      }
      const valve = s >= wash + pause
      put({ pump: s < wash, valve }, tank, valve ? hot : 60, valve ? pressure : 0)
    }
    for (let i = 0; i < idle; i++) put({ door: idle < 60 && i > 4 && i < 20 }, tank, 60, 0)
  }
  return samples
}
