const minutesADay = 1440
/** What is longer than this was not meant to last past midnight: its end comes before its start. */
const longestMinutes = 18 * 60
const shaped = /^(\d{1,2})(?:[:.h ]?(\d{2}))?\s*([ap])?\.?m?\.?$/i

/** A time of day as people type it ("6", "0630", "6:30 am", "24:30"), in minutes from midnight; null where it is none. */
export function readLocalTime(typed: string): number | null {
  const found = shaped.exec(typed.trim())
  if (!found) return null
  const [hour, minute, half] = [Number(found[1]), Number(found[2] ?? 0), found[3]?.toLowerCase()]
  if (minute > 59 || hour > 35 || (half && (hour < 1 || hour > 12))) return null
  const hours = half ? (hour % 12) + (half === 'p' ? 12 : 0) : hour
  return hours * 60 + minute
}

const two = (n: number) => String(n).padStart(2, '0')
export const localTime = (minutes: number): string => `${two(Math.floor(minutes / 60))}:${two(minutes % 60)}`

/** As the clocks of the place write it: 22:30 or 10:30 PM. Past midnight it counts on where there are 24 hours: 24:30 or 12:30 AM. */
export function showLocalTime(time: string, twelve: boolean): string {
  const minutes = readLocalTime(time)
  if (minutes === null || !twelve) return time
  const hour = Math.floor(minutes / 60) % 24
  return `${hour % 12 || 12}:${two(minutes % 60)} ${hour < 12 ? 'AM' : 'PM'}`
}

/**
 * A typed time as it is kept, "HH:MM"; what is none stays as it was typed. @param after a time that it follows: one that does not lies past
 * midnight.
 */
export function keptLocalTime(typed: string, after?: string): string {
  const minutes = readLocalTime(typed)
  if (minutes === null) return typed.trim()
  const from = after === undefined ? null : readLocalTime(after)
  const isPast = from !== null && minutes < from && minutes + minutesADay - from <= longestMinutes
  return localTime(isPast ? minutes + minutesADay : minutes)
}

/** When a day opens and closes; a close at or before the opening lies past midnight. Null where one is no time. */
export function readHours(open: string, close: string): { open: string; close: string } | null {
  const [from, to] = [readLocalTime(open), readLocalTime(close)]
  if (from === null || to === null || from >= minutesADay) return null
  const end = to <= from ? to + minutesADay : to
  return end - from > minutesADay ? null : { open: localTime(from), close: localTime(end) }
}
