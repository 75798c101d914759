const minutesADay = 1440
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

/** When a day opens and closes; a close at or before the opening lies past midnight. Null where one is no time. */
export function readHours(open: string, close: string): { open: string; close: string } | null {
  const [from, to] = [readLocalTime(open), readLocalTime(close)]
  if (from === null || to === null || from >= minutesADay) return null
  const end = to <= from ? to + minutesADay : to
  return end - from > minutesADay ? null : { open: localTime(from), close: localTime(end) }
}
