import type { Doing } from './dish-machine.ts'

/** One rack as the crew run it: seconds from one to the next, and what they do wrong. */
export interface RackOrder {
  /** Second at which the door is closed and the pump starts. */
  readonly at: number
  /** The door is opened so many seconds in: the cycle is cut short. */
  readonly openedAt?: number
}

const washes = 45
const pauses = 3
const rinses = 13
const length = washes + pauses + rinses

/** What the machine does at a second, by the racks ordered; the door stands open a while after each. */
export function doingAt(second: number, order: RackOrder | undefined): Doing {
  const still = { pump: false, valve: false, door: false }
  if (!order) return still
  const into = second - order.at
  const ends = order.openedAt ?? length
  if (into < 0) return still
  if (into < ends) return { pump: into < washes, valve: into >= washes + pauses, door: false }
  const opened = order.openedAt === undefined ? ends + 6 : ends
  return { ...still, door: into >= opened && into < opened + 12 }
}

/**
 * Racks of one span, a few seconds apart in a rush. @param random numbers from 0 to 1. @param perHour racks an hour.
 */
export function rackOrders(from: number, to: number, perHour: number, random: () => number): RackOrder[] {
  const orders: RackOrder[] = []
  const least = length + 20
  const mean = Math.max(least, 3600 / perHour)
  for (let at = from + 10; at + length < to;) {
    orders.push(random() < 0.01 ? { at, openedAt: 20 } : { at })
    at += Math.round(least + (mean - least) * 2 * random())
  }
  return orders
}
