import { dishMachine, type DishMachine, type Faults, type MachineSample } from './dish-machine.ts'
import { doingAt, rackOrders, type RackOrder } from './racks.ts'

/** Numbers from 0 to 1 that look random and are the same for the same seed. Method: a linear congruence (Park and Miller). */
export function seededRandom(seed: number): () => number {
  let state = (seed % 2147483646) + 1
  return () => (state = (state * 48271) % 2147483647) / 2147483647
}

/** A machine that runs racks by order, second by second. */
export interface Stream {
  readonly machine: DishMachine
  /** The next seconds, in order. */
  readonly next: (seconds: number) => MachineSample[]
  /** Racks from here on, a few an hour. @param seconds for how long. */
  readonly busy: (seconds: number, perHour: number) => void
  readonly fault: (faults: Faults) => void
  readonly second: () => number
}

export function rackStream(seed = 1): Stream {
  const random = seededRandom(seed)
  const machine = dishMachine(random)
  let second = 0
  let orders: RackOrder[] = []
  return {
    machine,
    second: () => second,
    fault: machine.fault,
    busy: (seconds, perHour) => {
      orders = rackOrders(second, second + seconds, perHour, random)
    },
    next: (seconds) =>
      Array.from({ length: seconds }, () => {
        while (orders[1] && second >= orders[1].at) orders.shift()
        const sample = machine.step(second, doingAt(second, orders[0]))
        second++
        return sample
      }),
  }
}
