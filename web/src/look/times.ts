import { useSite } from '../record/site.ts'

const formats = new Map<string, Intl.DateTimeFormat>()

function format(timeZone: string, options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat {
  const key = timeZone + JSON.stringify(options)
  const known = formats.get(key) ?? new Intl.DateTimeFormat('en-GB', { timeZone, ...options })
  formats.set(key, known)
  return known
}

/** Instants as the site's people say them, in the site's own zone. */
export function useTimes() {
  const site = useSite()
  const zone = () => site.set?.timeZone ?? 'UTC'
  return {
    /** "21:10" */
    clock: (at: number) =>
      format(zone(), { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' }).format(at),
    /** "21:10:05" */
    second: (at: number) =>
      format(zone(), { hour: '2-digit', minute: '2-digit', second: '2-digit', hourCycle: 'h23' }).format(at),
    /** "Thu 26 Nov" */
    day: (at: number) => format(zone(), { weekday: 'short', day: 'numeric', month: 'short' }).format(at),
    /** "Thursday 26 November" */
    longDay: (at: number) => format(zone(), { weekday: 'long', day: 'numeric', month: 'long' }).format(at),
    /** "26 Nov 2026", of an instant or of an ISO date. */
    date: (at: number | string) =>
      typeof at === 'number'
        ? format(zone(), { day: 'numeric', month: 'short', year: 'numeric' }).format(at)
        : format('UTC', { day: 'numeric', month: 'short', year: 'numeric' }).format(
            Date.parse(`${at}T12:00:00Z`),
          ),
  }
}
