import { foundBody } from '@tadka/contract/people'
import { byCountry, slugOf } from '@tadka/core/house'
import { readHours } from '../site/local-time.ts'

/** What the first start asks, as it is typed. */
export interface FoundDraft {
  code: string
  site: string
  country: string | null
  timeZone: string
  open: string
  close: string
  /** Weekdays on which the site is closed, 1 being Monday. */
  closedOn: number[]
  name: string
  /** Empty: as the name is written small. */
  login: string
  password: string
  pin: string
  tablet: string
}

export const emptyFounding = (country: string | null, timeZone: string, tablet: string): FoundDraft => ({
  code: '',
  site: '',
  country,
  timeZone,
  open: '',
  close: '',
  closedOn: [],
  name: '',
  login: '',
  password: '',
  pin: '',
  tablet,
})

export type FoundField =
  | 'code'
  | 'site'
  | 'country'
  | 'timeZone'
  | 'hours'
  | 'week'
  | 'name'
  | 'login'
  | 'password'
  | 'pin'
  | 'tablet'

/** Its pages, in order, each with what it asks. */
export const foundPages = {
  code: ['code', 'tablet'],
  site: ['site', 'country', 'timeZone', 'hours', 'week'],
  you: ['name', 'login', 'password', 'pin'],
} as const satisfies Record<string, readonly FoundField[]>
export type FoundPage = keyof typeof foundPages

export const loginOf = (d: Pick<FoundDraft, 'name' | 'login'>): string => d.login.trim() || slugOf(d.name)

/** Hours after which a sanitized machine is sanitized again before use: the code's own, until the site says otherwise. */
const freshHours = 4

/** What is sent. @param device what this browser calls itself. */
export function foundingOf(d: FoundDraft, device: string) {
  const country = d.country ?? ''
  const { units, emergencyNumber } = byCountry(country)
  const hours = readHours(d.open, d.close)
  const days = [1, 2, 3, 4, 5, 6, 7].filter((day) => !d.closedOn.includes(day))
  return {
    code: d.code,
    site: {
      name: d.site.trim(),
      timeZone: d.timeZone,
      country,
      hours: Object.fromEntries(hours ? days.map((day) => [String(day), hours]) : []),
      closedDays: [],
      sailings: [],
      units,
      freshHours,
      emergencyNumber,
    },
    manager: { name: d.name.trim(), login: loginOf(d), password: d.password, pin: d.pin },
    device,
    tablet: d.tablet.trim(),
  }
}

const fieldOf: Readonly<Record<string, FoundField>> = {
  code: 'code',
  'site.timeZone': 'timeZone',
  'site.country': 'country',
  'manager.name': 'name',
  'manager.login': 'login',
  'manager.password': 'password',
  'manager.pin': 'pin',
  tablet: 'tablet',
}

/** The fields that cannot be sent as they are. */
export function foundFaults(d: FoundDraft): ReadonlySet<FoundField> {
  const faults = new Set<FoundField>()
  for (const { path } of foundBody.safeParse(foundingOf(d, 'tab')).error?.issues ?? []) {
    const field = fieldOf[path.slice(0, 2).join('.')] ?? fieldOf[String(path[0])]
    if (field) faults.add(field)
  }
  if (!/^\d{8}$/.test(d.code.replaceAll(/[\s-]/g, ''))) faults.add('code')
  if (d.site.trim() === '') faults.add('site')
  if (d.country === null) faults.add('country')
  if (!readHours(d.open, d.close)) faults.add('hours')
  if (d.closedOn.length >= 7) faults.add('week')
  return faults
}
