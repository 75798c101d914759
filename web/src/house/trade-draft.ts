import { draftOfPlanning, planningFault, planningFrom, type PlanningDraft } from './planning-draft.ts'
import { type Counter, type Rush, type Sailing, type SiteSet, slugOf } from '@tadka/core/house'
import { isWithin, type Bounds } from '../pieces/field.ts'
import { weekdays } from './week.ts'

/** A weekday's trading hours as they are typed; both empty where the site is closed. */
export interface DayRow {
  open: string
  close: string
}
export interface SailingRow {
  departs: string
  days: number[]
  load: number | null
}
export interface RushRow {
  from: string
  to: string
  days: number[]
  load: number | null
}
export interface WalkRow {
  between: [string | null, string | null]
  minutes: number | null
}
export interface CounterRow {
  id: string
  name: string
  quiet: number | null
  rush: number | null
}
export interface GroupRow {
  stations: string[]
  mostDown: number | null
}

/** What makes a site's day: when it trades, what brings the rushes, who stays where, and what must stay up. */
export interface TradeDraft {
  /** Monday first. */
  week: DayRow[]
  closedDays: string[]
  sailings: SailingRow[]
  rushes: RushRow[]
  counters: CounterRow[]
  shared: Record<(typeof sharedThings)[number], number | null>
  keepUp: GroupRow[]
  walks: WalkRow[]
  lastOfAll: string[]
  planning: PlanningDraft
}

export const sharedThings = ['sink', 'table', 'pail', 'pot'] as const
/** A site has so many counters at most: who stays where is worked out for every set of them. */
export const mostCounters = 5

const weekday = (hours: SiteSet['hours'][string] | undefined): DayRow => ({
  open: hours?.open ?? '',
  close: hours?.close ?? '',
})

/** As it stands in the fields; the same whatever the order in which a record's fields came. */
export const draftOfTrade = (site: SiteSet): TradeDraft => ({
  week: weekdays.map((d) => weekday(site.hours[String(d)])),
  closedDays: [...site.closedDays].toSorted(),
  sailings: site.sailings.map(({ departs, days, load }) => ({ departs, days: [...days], load })),
  rushes: (site.rushes ?? []).map(({ from, to, days, load }) => ({ from, to, days: [...days], load })),
  walks: (site.walks ?? []).map((w) => ({ between: [...w.between], minutes: w.minutes })),
  counters: (site.counters ?? []).map(({ id, name, quiet, rush }) => ({ id, name, quiet, rush })),
  shared: {
    sink: site.shared?.sink ?? null,
    table: site.shared?.table ?? null,
    pail: site.shared?.pail ?? null,
    pot: site.shared?.pot ?? null,
  },
  keepUp: (site.keepUp ?? []).map(({ stations, mostDown }) => ({ stations: [...stations], mostDown })),
  lastOfAll: [...(site.lastOfAll ?? [])],
  planning: draftOfPlanning(site.planning),
})

/** The first thing that is wrong, and where; `at` counts from 0 within its list. */
export interface TradeFault {
  readonly kind:
    | 'hours'
    | 'order'
    | 'never'
    | 'date'
    | 'departs'
    | 'rushHours'
    | 'days'
    | 'load'
    | 'shared'
    | 'counter'
    | 'rush'
    | 'group'
    | 'walk'
    | 'walkTwice'
    | 'closedBy'
    | 'breaks'
  readonly at: number
}

const isTime = (text: string, hours: number) => {
  const [, h, m] = /^(\d{2}):(\d{2})$/.exec(text) ?? []
  return h !== undefined && Number(h) < hours && Number(m) < 60
}
/** A close after midnight is written past 24:00. */
const closeHours = 36
const isDate = (text: string) =>
  /^\d{4}-\d{2}-\d{2}$/.test(text) && !Number.isNaN(Date.parse(text)) && !text.endsWith('-00')

/** What may be typed of each number. */
export const within = {
  load: { min: 0, max: 10 },
  people: { min: 0, max: 50, whole: true },
  shared: { min: 0, max: 50, whole: true },
  walk: { min: 1, max: 60, whole: true },
  down: { min: 0, max: 50, whole: true },
} as const satisfies Record<string, Bounds>

export function tradeFault(d: TradeDraft): TradeFault | null {
  for (const [at, { open, close }] of d.week.entries()) {
    if (open === '' && close === '') continue
    if (!isTime(open, 24) || !isTime(close, closeHours)) return { kind: 'hours', at }
    if (open >= close) return { kind: 'order', at }
  }
  if (d.week.every((day) => day.open === '')) return { kind: 'never', at: 0 }
  const date = d.closedDays.findIndex((c) => !isDate(c))
  if (date >= 0) return { kind: 'date', at: date }
  for (const [at, s] of d.sailings.entries()) {
    if (!isTime(s.departs, closeHours)) return { kind: 'departs', at }
    if (s.days.length === 0) return { kind: 'days', at }
    if (!isWithin(s.load, within.load)) return { kind: 'load', at }
  }
  for (const [at, r] of d.rushes.entries()) {
    if (!isTime(r.from, closeHours) || !isTime(r.to, closeHours) || r.from >= r.to)
      return { kind: 'rushHours', at }
    if (r.days.length === 0) return { kind: 'days', at }
    if (!isWithin(r.load, within.load)) return { kind: 'load', at }
  }
  for (const [at, c] of d.counters.entries()) {
    const same = d.counters.findIndex((x) => x.name.trim() === c.name.trim())
    if (c.name.trim() === '' || same !== at) return { kind: 'counter', at }
    const both = isWithin(c.quiet, within.people) && isWithin(c.rush, within.people)
    if (!both || (c.rush ?? 0) < (c.quiet ?? 0)) return { kind: 'rush', at }
  }
  for (const [at, w] of d.walks.entries()) {
    const [a, b] = w.between
    if (a === null || b === null || a === b || !isWithin(w.minutes, within.walk)) return { kind: 'walk', at }
    if (d.walks.findIndex((x) => x.between.includes(a) && x.between.includes(b)) !== at)
      return { kind: 'walkTwice', at }
  }
  // Nothing typed means that there is plenty; what is no number must not mean that.
  const thing = sharedThings.findIndex((k) => d.shared[k] !== null && !isWithin(d.shared[k], within.shared))
  if (thing >= 0) return { kind: 'shared', at: thing }
  const group = d.keepUp.findIndex(
    (g) => !isWithin(g.mostDown, within.down) || g.stations.length <= (g.mostDown ?? 0),
  )
  if (group >= 0) return { kind: 'group', at: group }
  const kind = planningFault(d.planning, (text) => isTime(text, closeHours))
  return kind && { kind, at: 0 }
}

/** A new counter's id from its name, none of those taken. */
function counterId(name: string, taken: readonly string[]): string {
  const base = slugOf(name) || 'counter'
  let id = base
  for (let n = 2; taken.includes(id); n++) id = `${base}-${n}`
  return id
}

/** The site with what was typed, which must be without fault. */
export function siteFrom(d: TradeDraft, kept: SiteSet): SiteSet {
  const counters: Counter[] = []
  for (const c of d.counters) {
    const taken = [...counters, ...d.counters].map((x) => x.id)
    const id = c.id || counterId(c.name, taken)
    counters.push({ id, name: c.name.trim(), quiet: c.quiet ?? 0, rush: c.rush ?? 0 })
  }
  const sailings: Sailing[] = d.sailings
    .map((s) => ({ departs: s.departs, days: s.days.toSorted(), load: s.load ?? 1 }))
    .toSorted((a, b) => a.departs.localeCompare(b.departs))
  const rushes: Rush[] = d.rushes
    .map((r) => ({ from: r.from, to: r.to, days: r.days.toSorted(), load: r.load ?? 1 }))
    .toSorted((a, b) => a.from.localeCompare(b.from))
  const walks = d.walks.map((w) => ({
    between: [w.between[0] ?? '', w.between[1] ?? ''] as const,
    minutes: w.minutes ?? 1,
  }))
  const { rushes: _r, walks: _w, planning: _p, ...rest } = kept
  const planning = planningFrom(d.planning)
  const isAsked =
    kept.planning !== undefined ||
    JSON.stringify(planning) !== JSON.stringify(planningFrom(draftOfPlanning()))
  const shared = sharedThings.flatMap((k) => (d.shared[k] === null ? [] : [[k, d.shared[k]] as const]))
  return {
    ...rest,
    ...(rushes.length > 0 ? { rushes } : {}),
    ...(walks.length > 0 ? { walks } : {}),
    hours: Object.fromEntries(
      d.week.flatMap((day, i) => (day.open === '' ? [] : [[String(i + 1), { ...day }] as const])),
    ),
    closedDays: [...new Set(d.closedDays)].toSorted(),
    sailings,
    counters,
    shared: Object.fromEntries(shared),
    keepUp: d.keepUp.map((g) => ({ stations: [...g.stations], mostDown: g.mostDown ?? 1 })),
    lastOfAll: [...d.lastOfAll],
    ...(isAsked && { planning }),
  }
}
