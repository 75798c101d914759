import { forecastOf, spreadAhead, usedAhead, type Forecast } from './forecast.ts'
import { openOrders, type StockState } from './fold.ts'
import { lossOf, type Loss, type Span } from './loss.ts'
import type { StockUnit } from './records.ts'

const dayMs = 86_400_000
/** Days that are looked ahead. */
const horizon = 400

/** Use as the log tells it, ms UTC, the oldest first. */
export type Used = readonly { readonly at: number; readonly amount: number }[]

/** What is there and how it goes. All amounts in the item's unit. */
export interface Outlook {
  /** What is probably there now, and its standard deviation. */
  readonly amount: number
  readonly doubt: number
  /** Since when it was counted last, ms UTC. */
  readonly countedAt: number
  readonly forecast: Forecast
  readonly loss: Loss
  /** Used by the end of each day from today on. */
  readonly ahead: readonly number[]
  /** On its way. */
  readonly coming: number
}

/** Why nothing can be told. */
export type Untold = 'not-counted' | 'too-new'

/** A count by eye is wrong by so much of it; pieces are counted. Common practice, no source. */
const eyeError: Readonly<Record<StockUnit, number>> = { mL: 0.05, g: 0.05, pieces: 0.01 }

export type StockKnown = Omit<StockState, 'id'>

/**
 * What is there now and what is used of it. @param used by the log; @param since from when on the log knows, ms UTC;
 * @param today when today began, ms UTC; @param now ms UTC.
 */
export function outlookOf(
  state: StockKnown,
  used: Used,
  since: number,
  today: number,
  now: number,
): Outlook | Untold {
  const counted = state.counts.at(-1)
  if (!state.item || !counted) return 'not-counted'
  const error = eyeError[state.item.unit]
  const between = (from: number, to: number) => sum(used.filter((u) => u.at > from && u.at <= to))
  const spans = state.counts.slice(1).flatMap((count, i): Span[] => {
    const before = state.counts[i]
    const days = before ? (count.at - before.at) / dayMs : 0
    // Two counts on one day say that one of them was wrong.
    if (!before || days < 1) return []
    const inSpan = ({ at }: { at: number }) => at > before.at && at <= count.at
    const gone =
      before.amount + sum(state.came.filter(inSpan)) - sum(state.lost.filter(inSpan)) - count.amount
    return [{ days, gone, logged: between(before.at, count.at) }]
  })
  const loss = lossOf(spans, error * (sum(state.counts) / state.counts.length))
  const forecast = forecastOf(dailyUse(used, since, today))
  if (!forecast || (forecast.level === 0 && spans.length === 0)) return 'too-new'
  const after = ({ at }: { at: number }) => at > counted.at && at <= now
  const days = Math.max(0, (now - counted.at) / dayMs)
  const amount = Math.max(
    0,
    counted.amount +
      sum(state.came.filter(after)) -
      sum(state.lost.filter(after)) -
      between(counted.at, now) -
      loss.perDay * days,
  )
  return {
    ...{ amount, countedAt: counted.at, forecast, loss },
    doubt: Math.sqrt((error * counted.amount) ** 2 + days * loss.spread ** 2),
    ahead: usedAhead(forecast, Math.round((today - firstDay(since, today)) / dayMs), loss.perDay, horizon),
    coming: sum(openOrders(state)),
  }
}

const sum = (of: readonly { readonly amount: number }[]) => of.reduce((a, b) => a + b.amount, 0)
const daysKept = 200
/** The first whole day that is looked at. */
const firstDay = (since: number, today: number) =>
  today - Math.min(daysKept, Math.max(0, Math.floor((today - since) / dayMs))) * dayMs

/** What each whole day before today used, as far as the log goes back. */
function dailyUse(used: Used, since: number, today: number): number[] {
  const from = firstDay(since, today)
  const days = new Array<number>(Math.round((today - from) / dayMs)).fill(0)
  for (const { at, amount } of used) {
    const day = Math.floor((at - from) / dayMs)
    if (day >= 0 && day < days.length) days[day] = (days[day] ?? 0) + amount
  }
  return days
}

/** How surely: standard deviations, one-sided. Four in five; that it is there in time; that it is used up before its date. */
const [usually, surely, timely] = [1.28, 3, 2]

/** Days until it is used up: the least and the most of four in five, and what is to be expected. Null: more than a year. */
export interface DaysLeft {
  readonly least: number | null
  readonly expected: number | null
  readonly most: number | null
}

/** @param more what is added to what is there. */
function lasts(outlook: Outlook, more: number, sd: number): number | null {
  const { amount, doubt, forecast, loss, ahead } = outlook
  const found = ahead.findIndex((used, i) => {
    const off = Math.sqrt(doubt * doubt + spreadAhead(forecast, i + 1, loss.spread) ** 2)
    return used + sd * off >= amount + more
  })
  return found < 0 ? null : found
}

export const daysLeft = (outlook: Outlook): DaysLeft => ({
  least: lasts(outlook, 0, usually),
  expected: lasts(outlook, 0, 0),
  most: lasts(outlook, 0, -usually),
})

/** Days that what is there and on its way lasts in all but one case of some hundred. */
export const surelyLasts = (outlook: Outlook): number | null => lasts(outlook, outlook.coming, surely)

/** The least that is used by the end of so many days, in all but one case of fifty. */
export function leastUsed({ ahead, forecast, loss }: Outlook, days: number): number {
  const used = ahead[Math.min(days, ahead.length) - 1] ?? 0
  return Math.max(0, used - timely * spreadAhead(forecast, days, loss.spread))
}
