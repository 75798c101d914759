import { leastContactSeconds, provenMs, type Tick } from '../procedure/waiting.ts'
import { tickOf } from '../procedure/run-state.ts'
import type { AnyRecord } from '../stream/record.ts'

/** A basket of parts or ware in a bath: since when, how long it must stay, and how long it did. */
export interface Basket {
  readonly id: string
  readonly by: string
  readonly tick: Tick
  /** The longest of the code's and the label's contact time (FDA Food Code 2022, 4-703.11), milliseconds. */
  readonly leastMs: number
  /** When it came out and how long it was in; null while it is in. */
  readonly out: { readonly at: number; readonly ms: number } | null
}

/** Baskets of a bath that are remembered. */
const kept = 24

/** The baskets of a bath after one went in or came out. What came out too early has not been sanitized. */
export function basketsAfter(
  baskets: readonly Basket[],
  product: string | null,
  record: AnyRecord & { type: 'ware.in@1' | 'ware.out@1' },
): readonly Basket[] {
  const { basket: id, boot = null } = record.payload
  const tick = tickOf(record, boot)
  if (record.type === 'ware.in@1') {
    if (baskets.some((b) => b.id === id)) return baskets
    // A label of another product than the bath is made of says nothing of it.
    const label = record.payload.product === product ? (record.inForce?.label ?? null) : null
    const made = { id, by: record.by, tick, leastMs: leastContactSeconds(label) * 1000, out: null }
    return [...baskets, made].slice(-kept)
  }
  return baskets.map((b) =>
    b.id === id && b.out === null ? { ...b, out: { at: tick.at, ms: provenMs(b.tick, tick) } } : b,
  )
}

/** Whether a basket that came out was in for its whole contact time; null while it is in. */
export const basketWhole = (b: Basket): boolean | null => b.out && b.out.ms >= b.leastMs
