/** What is used of something in days to come, as its last months tell it. */
export interface Forecast {
  /** Used a day, taken over a week. */
  readonly level: number
  /** By weekday of the series' days, 0 the first of them: how much of the level. They make seven together. */
  readonly weekday: readonly number[]
  /** Standard deviation of one day about that. */
  readonly noise: number
  /** Standard deviation of the level itself over the weeks to come. */
  readonly drift: number
}

/** Half of what is remembered is of the last so many days. Common practice, no source: tried over generated years. */
const halfLife = 10
const week = 7
/** Weeks that weekdays are learned from, and how many even ones are believed in before. */
const [weekdayWeeks, evenWeeks] = [8, 3]
/** How far ahead the level is held against what came. */
const ahead = 14
/** No level is surer than so much of itself: a season turns, a promotion begins. Common practice, no source. */
const leastDrift = 0.15
/** A level stays wrong for so many days at most: what is busy grows quiet again. Common practice, no source. */
const wanders = 28
/** With less than some weeks nobody knows how it wanders. */
const unknownDrift = 0.25

const mean = (of: readonly number[]) => (of.length === 0 ? 0 : of.reduce((a, b) => a + b, 0) / of.length)

/**
 * What the days to come use, by the days that were. An exponentially weighted mean of days freed of their weekday, as textbooks of
 * forecasting give it; how far it goes wrong is read off how far it went wrong.
 * @param days use of each whole day, the oldest first, one unit throughout. Returns null for less than a week: nobody can tell.
 */
export function forecastOf(days: readonly number[]): Forecast | null {
  if (days.length < week) return null
  const weekday = weekdaysOf(days)
  const levels = levelsOf(days, weekday)
  const level = levels.at(-1) ?? 0
  const off = days.slice(1).map((used, i) => used - (levels[i] ?? 0) * (weekday[(i + 1) % week] ?? 1))
  // The first weeks the level is still looked for.
  const settled = off.slice(Math.min(off.length - 1, week))
  const noise = Math.sqrt(mean(settled.map((o) => o * o)))
  return { level, weekday, noise, drift: driftOf(days, levels, noise) }
}

function weekdaysOf(days: readonly number[]): readonly number[] {
  const last = days.slice(-weekdayWeeks * week)
  const shift = (days.length - last.length) % week
  const all = mean(last)
  if (all === 0) return new Array<number>(week).fill(1)
  const raw = Array.from({ length: week }, (_, w) => {
    const own = last.filter((_, i) => (i + shift) % week === w)
    return (own.reduce((a, b) => a + b / all, 0) + evenWeeks) / (own.length + evenWeeks)
  })
  const scale = week / raw.reduce((a, b) => a + b, 0)
  return raw.map((r) => r * scale)
}

/** The level as it was known after each day. */
function levelsOf(days: readonly number[], weekday: readonly number[]): number[] {
  const keep = 0.5 ** (1 / halfLife)
  let [sum, weight] = [0, 0]
  return days.map((used, i) => {
    // A day on which next to nothing is ever used says nothing of the level.
    const of = weekday[i % week] ?? 1
    sum = sum * keep + used
    weight = weight * keep + of
    return weight > 0 ? sum / weight : 0
  })
}

/** How far the level of a day lay from what the next two weeks used, less what chance alone makes of that. */
function driftOf(days: readonly number[], levels: readonly number[], noise: number): number {
  const level = levels.at(-1) ?? 0
  const offs: number[] = []
  for (let at = 2 * week; at + ahead < days.length; at += week)
    offs.push(mean(days.slice(at + 1, at + 1 + ahead)) - (levels[at] ?? 0))
  if (offs.length < 3) return unknownDrift * level
  const apart = mean(offs.map((o) => o * o)) - (noise * noise) / ahead
  return Math.max(leastDrift * level, Math.sqrt(Math.max(0, apart)))
}

/**
 * What is used up to the end of each of the next days, from tomorrow's beginning. @param first the weekday of the first of them, as in the
 * series; @param more used a day beside what is logged. Returns the sum after each day.
 */
export function usedAhead({ level, weekday }: Forecast, first: number, more: number, days: number): number[] {
  let sum = 0
  return Array.from(
    { length: days },
    (_, i) => (sum += Math.max(0, level * (weekday[(first + i) % week] ?? 1) + more)),
  )
}

/** Standard deviation of what `days` days use. @param loss of one day's use that nobody logs. */
export const spreadAhead = ({ noise, drift }: Forecast, days: number, loss: number): number =>
  Math.sqrt(days * (noise * noise + loss * loss) + days * Math.min(days, wanders) * drift * drift)
