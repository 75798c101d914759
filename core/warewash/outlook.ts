import { instant, type Instant } from '../quantity/index.ts'
import type { Prediction } from '../duty/windows.ts'
import type { StationState } from '../procedure/station-state.ts'
import type { StationSet } from '../house/station.ts'
import type { Verdict } from '../rules/index.ts'
import { fallsBelow, trendOf, type Crossing, type Trend } from './drift.ts'
import { keptShare } from './detergent.ts'
import { delimeEvery } from './scale.ts'
import { judgedMarks, mayReturn, type DishState } from './dish.ts'

/** What is to be done about the last cycles. */
export type Advice =
  /** It sanitizes. */
  | 'serves'
  /** The last rack did not pass: wash it again now, and read again. */
  | 'rewash'
  /** Two in a row did not: out of use for sanitizing. */
  | 'stop'
  /** Out of use; and a check has passed since. */
  | 'aside'
  | 'may-return'
  /** Nothing was read for a shift's time, or the last could not be told: read it by hand. */
  | 'cannot-tell'

/** A rack read longer ago than this, milliseconds, tells nothing of the next. Common practice, no source: a shift is no longer. */
const readHoldsMs = 12 * 3_600_000

/** How grave each is, where two lists of checks tell differently. */
const gravity = ['serves', 'cannot-tell', 'rewash', 'stop'] as const

/** @param now milliseconds UTC. @param chemical whether it sanitizes by a chemical: its ware is then tested at the rack as well. */
export function adviceOf(state: DishState, now: Instant, chemical = false): Advice {
  if (state.aside) return mayReturn(state) ? 'may-return' : 'aside'
  const told = fromChecks(judgedMarks(state), now)
  if (!chemical) return told
  const tested = fromChecks(state.rackTests, now)
  return gravity[Math.max(gravity.indexOf(told), gravity.indexOf(tested))] ?? told
}

function fromChecks(
  checks: readonly { readonly at: number; readonly verdict: Verdict | null }[],
  now: Instant,
): (typeof gravity)[number] {
  const [before, last] = [checks.at(-2), checks.at(-1)]
  if (!last || last.at < now - readHoldsMs) return 'cannot-tell'
  if (last.verdict === 'out') return before?.verdict === 'out' ? 'stop' : 'rewash'
  return last.verdict === 'cannot-tell' ? 'cannot-tell' : 'serves'
}

/** Racks that went through since the last that passed, the ones that could not be told among them. */
export function inDoubt(
  state: DishState,
  chemical = false,
): { readonly racks: number; readonly since: number | null } {
  const marks = judgedMarks(state)
  const good = ({ verdict }: { readonly verdict: Verdict | null }) =>
    verdict === 'in' || verdict === 'too-close'
  // A hot wash says nothing of a sanitizer that has run out: the rack's own test counts there too.
  const passedAt = [marks, ...(chemical ? [state.rackTests] : [])].map((c) => c.findLast(good)?.at ?? null)
  const since = passedAt.some((at) => at === null) ? null : Math.min(...passedAt.map((at) => at ?? 0))
  const after = marks.filter((m) => m.by === 'probe' && (since === null || m.at > since))
  return { racks: state.tallied + after.length, since }
}

const [hourMs, dayMs] = [3_600_000, 86_400_000]

/** Racks an hour: over the last hour by the marks, and as usual over the hours kept. @param now milliseconds UTC. */
export function rackRate(
  state: DishState,
  now: Instant,
): { readonly lastHour: number; readonly usual: number | null } {
  const lastHour = state.marks.filter(
    (m) => m.ending === 'complete' && m.at > now - hourMs && m.by === 'probe',
  ).length
  const busy = state.hours.filter(([, n]) => n > 0)
  return {
    lastHour,
    usual: busy.length > 0 ? busy.reduce((sum, [, n]) => sum + n, 0) / busy.length : null,
  }
}

/** How many racks a day, over the days kept but the one under way; null before there was one. */
export function racksADay(state: DishState, now: Instant): number | null {
  const whole = state.days.filter((d) => d.day < Math.floor(now / dayMs) && d.racks > 0).slice(-14)
  return whole.length > 0 ? whole.reduce((sum, d) => sum + d.racks, 0) / whole.length : null
}

/** When a count is reached: racks to go, and the instant at the site's own pace; null where the pace is not known. */
export function countForecast(
  state: DishState,
  since: number,
  every: number,
  now: Instant,
): { readonly left: number; readonly at: Instant | null } {
  const left = Math.max(0, every - since)
  const aDay = racksADay(state, now)
  const pace = rackRate(state, now).usual
  if (left === 0) return { left, at: now }
  if (pace !== null && left <= pace * 4) return { left, at: instant(now + (left / pace) * hourMs) }
  return { left, at: aDay ? instant(now + (left / aDay) * dayMs) : null }
}

/** The rinse by day: its trend, and when it will miss its limit. Days since 1970. */
export function rinseOutlook(
  state: DishState,
  limit: number,
): { readonly trend: Trend | null; readonly misses: Crossing | null } {
  const delimed = state.since.delime.at
  const from = delimed === null ? 0 : Math.floor(delimed / dayMs) + 1
  const points = state.days
    .filter((d) => d.rinses > 2 && d.day >= from)
    .slice(-30)
    .map((d) => ({ day: d.day, value: d.rinseSum / d.rinses }))
  const trend = trendOf(points)
  // How far a day's lowest lies below its mean, as on most days: one day that ran cold says nothing of the others.
  const spreads = state.days
    .slice(-7)
    .filter((d) => d.rinses > 2 && d.rinseLow !== null)
    .map((d) => d.rinseSum / d.rinses - (d.rinseLow ?? 0))
    .sort((a, b) => a - b)
  const margin = spreads[spreads.length >> 1] ?? 0
  return { trend, misses: trend && fallsBelow(trend, limit, margin) }
}

/** The dose by day: its trend, and when the feed will no longer keep up. Days since 1970. @param setPoint mS/cm. */
export function doseOutlook(
  state: DishState,
  setPoint: number,
): { readonly trend: Trend | null; readonly misses: Crossing | null } {
  const points = state.days
    .filter((d) => d.doses > 2)
    .slice(-30)
    .map((d) => ({ day: d.day, value: d.doseSum / d.doses }))
  const trend = trendOf(points)
  return { trend, misses: trend && fallsBelow(trend, setPoint * keptShare) }
}

/** When the wash water is changed: after so many racks or hours, whichever is first; null where the plate says neither. */
export function waterDue(
  state: DishState,
  { waterRacks, waterHours }: Readonly<Record<string, number>>,
  now: Instant,
): { readonly every: number | null; readonly left: number | null; readonly at: Instant | null } | null {
  if (waterRacks === undefined && waterHours === undefined) return null
  const { racks, at: since } = state.since.water
  const byCount = waterRacks === undefined ? null : countForecast(state, racks, waterRacks, now)
  const byHours = waterHours === undefined || since === null ? null : instant(since + waterHours * hourMs)
  const at =
    byCount?.at && byHours !== null ? instant(Math.min(byCount.at, byHours)) : (byCount?.at ?? byHours)
  const over = byHours !== null && now >= byHours
  return { every: waterRacks ?? null, left: over ? 0 : (byCount?.left ?? null), at: over ? now : at }
}

/** For the duties: when the rinse is expected to miss. @param limit °C. */
export function dishPredictions(state: DishState, limit: number): Prediction[] {
  const { misses } = rinseOutlook(state, limit)
  if (!misses) return []
  const at = (day: number) => instant(Math.round(day * dayMs))
  return [{ station: state.id, what: 'rinse', from: at(Math.floor(misses.earliest)), at: at(misses.day) }]
}

/** A station's plate with the count of racks between delimes tuned by its own intervals. */
function withTunedDelime(plate: StationSet, { delimes }: DishState): StationSet {
  if (delimes.length === 0) return plate
  const duties = plate.duties.map((duty) => {
    const { trigger } = duty
    if (!duty.procedure.endsWith('.delime') || trigger.kind !== 'count' || trigger.of !== 'racks') return duty
    return { ...duty, trigger: { ...trigger, every: delimeEvery(trigger.every, delimes) } }
  })
  return { ...plate, duties }
}

/** A station with its racks counted by its probe or by hand, so that what is due by count follows, at the count that its own intervals tune. */
export function withRacks(station: StationState, dish: DishState | null): StationState {
  if (!dish || dish.lastAt === null || dish.total === 0) return station
  const total = (since: number) => ({ ...station.counts, racks: { total: since, at: dish.lastAt ?? 0 } })
  const lastRuns = Object.fromEntries(
    Object.entries(station.lastRuns).map(([procedure, last]) => {
      const since = procedure.endsWith('.delime') ? dish.since.delime.racks : dish.since.clean.racks
      return [procedure, { ...last, counts: { ...last.counts, racks: dish.total - since } }]
    }),
  )
  const plate = station.plate && withTunedDelime(station.plate, dish)
  return { ...station, plate, counts: total(dish.total), lastRuns }
}
