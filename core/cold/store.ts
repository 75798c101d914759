import { readingInCelsius, type TemperatureReading } from '../quantity/index.ts'
import type { Verdict } from '../rules/index.ts'
import { coldOutcome, type ColdOutcome } from './outcome.ts'

const [hourMs, minuteMs] = [3_600_000, 60_000]
/** Twice in a shift of eight hours, and before four hours are over: what is found warm then may still be saved. Common practice, no source. */
const everyMinutes = 210
/** Read so long before its time, it is read in its time; so long after, it is late. Common practice, no source. */
const earlyMinutes = 30
const lateMinutes = 30
/** Read so long before the opening, it is the opening's reading. */
const beforeOpening = 2 * hourMs

/** What is remembered of a place where food is kept cold. */
export interface ColdKept {
  readonly last: {
    readonly at: number
    readonly by: string
    readonly read: TemperatureReading
    readonly verdict: Verdict
    /** The record of it: where it is not in range, that of its corrective action. */
    readonly record: string
  }
  /** When it was last read cold, ms UTC; null: never since it is followed. */
  readonly coldAt: number | null
  /** The last time that it was read warm, from when it was read cold before; absent where it never was. */
  readonly warm?: {
    /** Null: nobody knows. */
    readonly since: number | null
    readonly warmest: TemperatureReading
    /** When it was read cold again, ms UTC; null while it was not. */
    readonly until: number | null
  }
}

/** What is remembered after one more reading, in the order of their times. */
export function coldReading(was: ColdKept | undefined, last: ColdKept['last']): ColdKept {
  const { coldAt = null, warm } = was ?? {}
  if (last.verdict === 'in') {
    const ended = warm && { warm: { ...warm, until: warm.until ?? last.at } }
    return { last, coldAt: last.at, ...ended }
  }
  const before = warm?.until === null ? warm : undefined
  if (last.verdict !== 'out') return { last, coldAt, ...(warm ? { warm } : {}) }
  const warmest =
    before && readingInCelsius(before.warmest) > readingInCelsius(last.read) ? before.warmest : last.read
  return { last, coldAt, warm: { since: before ? before.since : coldAt, warmest, until: null } }
}

export type ColdStands =
  | { readonly is: 'not-read' }
  /** With what becomes of the food that was warm before; null where none was. */
  | { readonly is: 'cold'; readonly was: ColdOutcome | null }
  /** Astride the limit, or read on what cannot be trusted: it is read again. */
  | { readonly is: 'read-again' }
  /** Above 5 °C: since when at the longest, and what becomes of the food. */
  | { readonly is: 'warm'; readonly since: number | null; readonly outcome: ColdOutcome }

/**
 * How a place where food is kept cold stands by its last reading. What is read warm may have been warm since right after it was last read
 * cold, so from then its time runs, until it was read cold again. Sources: FDA Food Code 2022, 3-501.16(A)(2), 3-501.19, 3-701.11.
 * @param now ms UTC. @param writtenHours of a written procedure that the site had entered before; null where it had none.
 */
export function coldStands(kept: ColdKept | undefined, now: number, writtenHours: 4 | 6 | null): ColdStands {
  if (!kept) return { is: 'not-read' }
  const { last, warm } = kept
  if (last.verdict !== 'in' && last.verdict !== 'out') return { is: 'read-again' }
  const outcome =
    warm &&
    coldOutcome({
      ...{ read: warm.warmest, readAt: last.at, writtenHours, warmSince: warm.since, coldBack: null },
      // Served by time alone it goes on being served by it; asked about, it was warm no longer than until it was cold.
      now: writtenHours === null ? (warm.until ?? now) : now,
    })
  if (last.verdict === 'in' || !outcome) return { is: 'cold', was: outcome ?? null }
  return { is: 'warm', since: warm.since, outcome }
}

export interface ColdDue {
  /** When it is to be read, ms UTC. */
  readonly at: number
  readonly is: 'ahead' | 'now' | 'late'
}

/**
 * When a place where food is kept cold is read next: at opening, and every three and a half hours while the site trades; what was not read cold is
 * read again within half an hour. Null while nobody trades. @param day the trading day, ms UTC; null: there is none. @param now ms UTC.
 */
export function coldDue(
  last: { readonly at: number; readonly verdict: Verdict } | null,
  day: { readonly opens: number; readonly closes: number } | null,
  now: number,
): ColdDue | null {
  if (!day || now < day.opens - beforeOpening) return null
  // One that was never read was not here to be late.
  if (last === null)
    return { at: Math.max(day.opens, now), is: now >= day.opens - earlyMinutes * minuteMs ? 'now' : 'ahead' }
  const isToday = last.at >= day.opens - beforeOpening
  const at = isToday
    ? last.at + (last.verdict === 'in' ? everyMinutes * minuteMs : lateMinutes * minuteMs)
    : day.opens
  if (isToday && at >= day.closes) return null
  if (now > at + lateMinutes * minuteMs) return { at, is: 'late' }
  const early = last.verdict === 'in' || !isToday ? earlyMinutes : 0
  return { at, is: now >= at - early * minuteMs ? 'now' : 'ahead' }
}

/** Longest time without a reading: the next is late. */
const longestMs = (everyMinutes + lateMinutes) * minuteMs

/**
 * When a place where food is kept cold went unread for too long while the site traded, ms UTC. @param reads of the day, in any order.
 * @param since when it stood here first. @param now what is still to come is not missed.
 */
export function coldUnread(
  reads: readonly number[],
  day: { readonly opens: number; readonly closes: number },
  since: number,
  now: number,
): { readonly from: number; readonly to: number }[] {
  const [first, end] = [Math.max(day.opens, since), Math.min(day.closes, now)]
  const own = reads.filter((at) => at >= day.opens - beforeOpening && at <= end).toSorted((a, b) => a - b)
  const [opening = end] = own
  const gaps = [...own, end].map((to, i) => ({ from: own[i - 1] ?? first, to }))
  return gaps.filter(({ from, to }, i) => {
    if (i === 0) return opening - first > lateMinutes * minuteMs
    // What would fall due after the close is not asked for.
    return to - from > longestMs && from + everyMinutes * minuteMs < day.closes
  })
}
