import type { TemperatureReading } from '../quantity/index.ts'
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
}

/** What is remembered after one more reading; one that was entered late does not stand before a newer one. */
export function coldReading(was: ColdKept | undefined, last: ColdKept['last']): ColdKept {
  const coldAt = last.verdict === 'in' ? Math.max(last.at, was?.coldAt ?? 0) : (was?.coldAt ?? null)
  return { last: was && was.last.at > last.at ? was.last : last, coldAt }
}

export type ColdStands =
  | { readonly is: 'not-read' }
  | { readonly is: 'cold' }
  /** Astride the limit, or read on what cannot be trusted: it is read again. */
  | { readonly is: 'read-again' }
  /** Above 5 °C: since when at the longest, and what becomes of the food. */
  | { readonly is: 'warm'; readonly since: number | null; readonly outcome: ColdOutcome }

/**
 * How a place where food is kept cold stands by its last reading. What is read warm may have been warm since right after it was last read
 * cold, so from then its time runs. Sources: FDA Food Code 2022, 3-501.16(A)(2), 3-501.19, 3-701.11.
 * @param now ms UTC. @param writtenHours of a written procedure that the site had entered before; null where it had none.
 */
export function coldStands(kept: ColdKept | undefined, now: number, writtenHours: 4 | 6 | null): ColdStands {
  if (!kept) return { is: 'not-read' }
  const { last, coldAt } = kept
  if (last.verdict === 'in') return { is: 'cold' }
  if (last.verdict !== 'out') return { is: 'read-again' }
  const outcome = coldOutcome({
    ...{ read: last.read, readAt: last.at, now, writtenHours },
    ...{ warmSince: coldAt, coldBack: null },
  })
  return { is: 'warm', since: coldAt, outcome }
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
  const isToday = last !== null && last.at >= day.opens - beforeOpening
  const at = isToday
    ? last.at + (last.verdict === 'in' ? everyMinutes * minuteMs : lateMinutes * minuteMs)
    : day.opens
  if (isToday && at >= day.closes) return null
  if (now > at + lateMinutes * minuteMs) return { at, is: 'late' }
  const early = last?.verdict === 'in' || !isToday ? earlyMinutes : 0
  return { at, is: now >= at - early * minuteMs ? 'now' : 'ahead' }
}
