import { showLocalTime } from './local-time.ts'
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

const ofRegion = new Map<string, boolean>()

/** Whether clocks have twelve hours there. @param country ISO 3166-1 alpha-2; where nobody has said, they have 24. */
export function hasTwelveHours(country: string | undefined): boolean {
  if (!country) return false
  const known = ofRegion.get(country)
  if (known !== undefined) return known
  // Browsers have the region's hours by a property, a method, or not at all.
  const region = new Intl.Locale(`und-${country}`) as Intl.Locale & {
    readonly hourCycles?: string[]
    getHourCycles?: () => string[]
  }
  const [cycle] = region.getHourCycles?.() ?? region.hourCycles ?? [country === 'US' ? 'h12' : 'h23']
  ofRegion.set(country, cycle === 'h12')
  return cycle === 'h12'
}

/** Instants as the site's people say them, in the site's own zone. */
export function useTimes() {
  const site = useSite()
  const zone = () => site.set?.timeZone ?? 'UTC'
  const by = (options: Intl.DateTimeFormatOptions, timeZone = zone()) =>
    format(localeOf(site.set?.country), timeZone, options)
  const twelve = () => hasTwelveHours(site.set?.country)
  const hours = (): Intl.DateTimeFormatOptions =>
    twelve() ? { hour: 'numeric', hourCycle: 'h12' } : { hour: '2-digit', hourCycle: 'h23' }
  return {
    /** Clocks here have twelve hours. */
    isTwelve: twelve,
    /** A time of day that is kept as "21:10". */
    local: (time: string) => showLocalTime(time, twelve()),
    /** "21:10" or "9:10 PM" */
    clock: (at: number) => by({ ...hours(), minute: '2-digit' }).format(at),
    /** A whole hour: "21:00" or "9 PM" */
    hour: (at: number) =>
      by(twelve() ? { hour: 'numeric', hourCycle: 'h12' } : { ...hours(), minute: '2-digit' }).format(at),
    /** "21:10:05" or "9:10:05 PM" */
    second: (at: number) => by({ ...hours(), minute: '2-digit', second: '2-digit' }).format(at),
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
