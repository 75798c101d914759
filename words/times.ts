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

/** Times as a site's people write them. */
export interface SiteTimes {
  /** Clocks there have twelve hours. */
  readonly isTwelve: () => boolean
  /** "21:10" or "9:10 PM" */
  readonly clock: (at: number) => string
  /** A whole hour: "21:00" or "9 PM" */
  readonly hour: (at: number) => string
  /** "21:10:05" or "9:10:05 PM" */
  readonly second: (at: number) => string
  /** "Thu 26 Nov" */
  readonly day: (at: number) => string
  /** "Thursday 26 November" */
  readonly longDay: (at: number) => string
  /** "26 Nov 2026", of an instant or of an ISO date. */
  readonly date: (at: number | string) => string
  /** "Nov 2026", of a month: "2026-11". */
  readonly month: (month: string) => string
}

/** Instants as people of a site say them, in the site's own zone. @param of the site as it is then; instants are milliseconds UTC. */
export function timesOf(
  of: () => { readonly timeZone?: string | undefined; readonly country?: string | undefined } | null,
): SiteTimes {
  const by = (options: Intl.DateTimeFormatOptions, timeZone = of()?.timeZone ?? 'UTC') =>
    format(localeOf(of()?.country), timeZone, options)
  const twelve = () => hasTwelveHours(of()?.country)
  const hours = (): Intl.DateTimeFormatOptions =>
    twelve() ? { hour: 'numeric', hourCycle: 'h12' } : { hour: '2-digit', hourCycle: 'h23' }
  return {
    isTwelve: twelve,
    clock: (at) => by({ ...hours(), minute: '2-digit' }).format(at),
    hour: (at) =>
      by(twelve() ? { hour: 'numeric', hourCycle: 'h12' } : { ...hours(), minute: '2-digit' }).format(at),
    second: (at) => by({ ...hours(), minute: '2-digit', second: '2-digit' }).format(at),
    day: (at) => by({ weekday: 'short', day: 'numeric', month: 'short' }).format(at),
    longDay: (at) => by({ weekday: 'long', day: 'numeric', month: 'long' }).format(at),
    month: (month) =>
      by({ month: 'short', year: 'numeric' }, 'UTC').format(Date.parse(`${month}-15T12:00:00Z`)),
    date: (at) =>
      typeof at === 'number'
        ? by({ day: 'numeric', month: 'short', year: 'numeric' }).format(at)
        : by({ day: 'numeric', month: 'short', year: 'numeric' }, 'UTC').format(
            Date.parse(`${at}T12:00:00Z`),
          ),
  }
}
