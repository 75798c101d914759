import { useSite } from './site.ts'

const formats = new Map<string, Intl.DateTimeFormat>()

function format(locale: string, timeZone: string, options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat {
  const key = locale + timeZone + JSON.stringify(options)
  const known = formats.get(key) ?? new Intl.DateTimeFormat(locale, { timeZone, ...options })
  formats.set(key, known)
  return known
}

/** English dates as a country writes them: the month first in the United States. @param country as the site has it. */
export const localeOf = (country: string | undefined): string => (country === 'US' ? 'en-US' : 'en-GB')

/** Instants as the site's people say them, in the site's own zone. */
export function useTimes() {
  const site = useSite()
  const zone = () => site.set?.timeZone ?? 'UTC'
  const by = (options: Intl.DateTimeFormatOptions, timeZone = zone()) =>
    format(localeOf(site.set?.country), timeZone, options)
  return {
    /** "21:10" */
    clock: (at: number) => by({ hour: '2-digit', minute: '2-digit', hourCycle: 'h23' }).format(at),
    /** "21:10:05" */
    second: (at: number) =>
      by({ hour: '2-digit', minute: '2-digit', second: '2-digit', hourCycle: 'h23' }).format(at),
    /** "Thu 26 Nov" */
    day: (at: number) => by({ weekday: 'short', day: 'numeric', month: 'short' }).format(at),
    /** "Thursday 26 November" */
    longDay: (at: number) => by({ weekday: 'long', day: 'numeric', month: 'long' }).format(at),
    /** "26 Nov 2026", of an instant or of an ISO date. */
    date: (at: number | string) =>
      typeof at === 'number'
        ? by({ day: 'numeric', month: 'short', year: 'numeric' }).format(at)
        : by({ day: 'numeric', month: 'short', year: 'numeric' }, 'UTC').format(
            Date.parse(`${at}T12:00:00Z`),
          ),
  }
}
