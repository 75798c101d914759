import { readWritten, zoneClock } from './clock.ts'
import type { TimeOrder } from './mapping.ts'

const quarter = 900_000
/** "26.11.2026 21:10:05": the date, a mark between, and the time of day to the second. */
const width = 19
const colon = 58

/** Two digits of a text as a number; NaN where they are none. */
function two(text: string, at: number): number {
  const [a, b] = [text.charCodeAt(at) - 48, text.charCodeAt(at + 1) - 48]
  return a >= 0 && a <= 9 && b >= 0 && b <= 9 ? a * 10 + b : Number.NaN
}

/** What a row's time can be: `null` where it is not written so, no instant where clocks went forward over it, two where they went back. */
export type RowInstants = readonly number[] | null

/**
 * Reads the times of a file's rows. Rows follow each other: within the same quarter of an hour of the same date only the time of day is
 * read anew. Throws a RangeError where there is no such zone.
 */
export function rowClock(
  zone: string,
  order: Exclude<TimeOrder, 'epoch-s' | 'epoch-ms'>,
): (text: string) => RowInstants {
  const instantsOf = zoneClock(zone)
  let date = ''
  /** Of that date: what its midnight is by the clock of the row before, milliseconds UTC, and that row's quarter of an hour. */
  let [midnight, known] = [0, Number.NaN]

  function msOfDay(text: string): number {
    if (text.charCodeAt(13) !== colon || text.charCodeAt(16) !== colon) return Number.NaN
    const [hour, minute, second] = [two(text, 11), two(text, 14), two(text, 17)]
    return hour < 24 && minute < 60 && second < 60 ? ((hour * 60 + minute) * 60 + second) * 1000 : Number.NaN
  }

  return (text) => {
    const isPlain = text.length === width
    const ms = isPlain ? msOfDay(text) : Number.NaN
    if (ms === ms && Math.floor(ms / quarter) === known && text.startsWith(date)) return [midnight + ms]
    const written = readWritten(text, order)
    if (!written?.clock) return null
    const instants = instantsOf(written)
    const [only] = instants
    if (ms === ms && only !== undefined && instants.length === 1 && written.offset === null) {
      date = text.slice(0, 11)
      midnight = only - ms
      known = Math.floor(ms / quarter)
    } else known = Number.NaN
    return instants
  }
}
