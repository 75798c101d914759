import { Temporal } from 'temporal-polyfill'
import type { TimeOrder } from './mapping.ts'

/** A time as a file writes it. `offset` is minutes east of UTC where the file says so. */
export interface Written {
  readonly year: number
  readonly month: number
  readonly day: number
  /** Null where only a date is written. */
  readonly clock: { readonly hour: number; readonly minute: number; readonly ms: number } | null
  readonly offset: number | null
}

const tail =
  '(?:[T ,]+(\\d{1,2}):(\\d{2})(?::(\\d{2})(?:[.,](\\d{1,9}))?)?\\s*([ap]\\.?m\\.?)?)?\\s*(Z|UTC|[+-]\\d{2}:?\\d{2})?$'
const yearFirst = new RegExp(`^(\\d{4})[-/.](\\d{1,2})[-/.](\\d{1,2})${tail}`, 'i')
const yearLast = new RegExp(`^(\\d{1,2})[-/.](\\d{1,2})[-/.](\\d{4}|\\d{2})${tail}`, 'i')

/** A date with its time of day, in this order; null where it is not written so. */
export function readWritten(text: string, order: 'ymd' | 'dmy' | 'mdy'): Written | null {
  const found = (order === 'ymd' ? yearFirst : yearLast).exec(text.trim())
  if (!found) return null
  const [first, second, third] = [Number(found[1]), Number(found[2]), Number(found[3])]
  const year = order === 'ymd' ? first : third < 100 ? 2000 + third : third
  const month = order === 'mdy' ? first : second
  const day = order === 'ymd' ? third : order === 'dmy' ? first : second
  if (month < 1 || month > 12 || day < 1 || day > new Date(Date.UTC(year, month, 0)).getUTCDate()) return null
  const clock = clockOf(found)
  return clock === undefined ? null : { year, month, day, clock, offset: offsetOf(found[9]) }
}

function clockOf(found: RegExpExecArray): Written['clock'] | undefined {
  if (found[4] === undefined) return null
  const half = found[8]?.toLowerCase()[0]
  const told = Number(found[4])
  if (half !== undefined && (told < 1 || told > 12)) return undefined
  const hour = half === undefined ? told : (told % 12) + (half === 'p' ? 12 : 0)
  const [minute, second] = [Number(found[5]), Number(found[6] ?? 0)]
  if (hour > 23 || minute > 59 || second > 59) return undefined
  return { hour, minute, ms: second * 1000 + Math.floor(Number(`0.${found[7] ?? '0'}`) * 1000) }
}

function offsetOf(text: string | undefined): number | null {
  if (text === undefined) return null
  const found = /^([+-])(\d{2}):?(\d{2})$/.exec(text)
  return found ? (found[1] === '-' ? -1 : 1) * (Number(found[2]) * 60 + Number(found[3])) : 0
}

const quarter = 900_000

/** What a local time can be: one instant, two on the night when clocks go back, none when they go forward. */
type Instants = readonly [] | readonly [number] | readonly [number, number]

/** Local times of a zone as instants; asked for a quarter of an hour at a time. Throws a RangeError where there is no such zone. */
export function zoneClock(zone: string): (w: Written) => Instants {
  const known = new Map<number, readonly number[]>()
  // Throws here rather than at the first row.
  Temporal.Instant.fromEpochMilliseconds(0).toZonedDateTimeISO(zone)
  return (w) => {
    const { hour, minute, ms } = w.clock ?? { hour: 0, minute: 0, ms: 0 }
    const wall = Date.UTC(w.year, w.month - 1, w.day, hour, minute) + ms
    if (w.offset !== null) return [wall - w.offset * 60_000]
    const slot = Math.floor(wall / quarter)
    let shifts = known.get(slot)
    if (!shifts) {
      shifts = shiftsAt(slot * quarter, zone)
      known.set(slot, shifts)
    }
    return shifts.map((s) => wall - s) as unknown as Instants
  }
}

/** How far ahead of UTC a zone's clocks may be when they show `wall`, ms. */
function shiftsAt(wall: number, zone: string): number[] {
  const local = Temporal.Instant.fromEpochMilliseconds(wall).toZonedDateTimeISO('UTC').toPlainDateTime()
  const as = (disambiguation: 'earlier' | 'later') => local.toZonedDateTime(zone, { disambiguation })
  const [earlier, later] = [as('earlier'), as('later')]
  if (!earlier.toPlainDateTime().equals(local)) return []
  const shift = (at: Temporal.ZonedDateTime) => wall - at.epochMilliseconds
  return earlier.epochMilliseconds === later.epochMilliseconds
    ? [shift(earlier)]
    : [shift(earlier), shift(later)]
}

/** The offset that a zone has when its clocks are not put forward, "+01:00"; null where they never are. Throws a RangeError. */
export function winterTimeOf(zone: string): string | null {
  const on = (month: number) =>
    Temporal.PlainDate.from({ year: 2026, month, day: 1 }).toZonedDateTime({ timeZone: zone })
  const [a, b] = [on(1), on(7)]
  if (a.offset === b.offset) return null
  return a.offsetNanoseconds < b.offsetNanoseconds ? a.offset : b.offset
}

/** Seconds or milliseconds since 1970, as milliseconds UTC; null where it is none. */
export function readEpoch(text: string, order: TimeOrder): number | null {
  if (!/^\d{9,13}(?:\.\d+)?$/.test(text.trim())) return null
  const value = Number(text) * (order === 'epoch-s' ? 1000 : 1)
  // From 2001 to 2100.
  return value > 978_307_200_000 && value < 4_102_444_800_000 ? Math.round(value) : null
}
