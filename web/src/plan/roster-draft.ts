import type { RosterSet } from '@tadka/core/house'
import { isWithin } from '../pieces/field.ts'

/** A person's shift as it is typed. */
export interface RosterRow {
  person: string | null
  from: string
  to: string
  /** Minutes of the break; none where it is 0. */
  rest: number | null
  earliest: string
  latest: string
  away: boolean
}

export interface RosterFault {
  readonly kind: 'who' | 'wrong' | 'order' | 'twice' | 'rest'
  readonly person: string
}

const hour = 60
const clock = (minutes: number) =>
  `${String(Math.floor(minutes / hour)).padStart(2, '0')}:${String(minutes % hour).padStart(2, '0')}`

/** A shift that ends an hour after the close, with its break in the middle: what most of a closing crew work. */
export function emptyRow(person: string | null = null, close = '22:30'): RosterRow {
  const [h = 0, m = 0] = close.split(':').map(Number)
  const to = Math.min(h * hour + m + hour, 35 * hour + 59)
  return {
    person,
    from: clock(Math.max(0, to - 8 * hour)),
    to: clock(to),
    rest: 20,
    earliest: clock(Math.max(0, to - 5 * hour)),
    latest: clock(Math.max(0, to - 3 * hour)),
    away: false,
  }
}

export const draftOf = (roster: RosterSet | null): RosterRow[] =>
  (roster?.shifts ?? []).map((s) => ({
    person: s.person,
    from: s.from,
    to: s.to,
    rest: s.breaks[0]?.minutes ?? 0,
    earliest: s.breaks[0]?.earliest ?? s.from,
    latest: s.breaks[0]?.latest ?? s.to,
    away: s.away ?? false,
  }))

/** Minutes of a break at most. */
export const mostRest = 120
const isTime = (text: string) => /^([0-2]\d|3[0-5]):[0-5]\d$/.test(text)

/** The first thing that is wrong with it, or null. "HH:MM" compares as text. */
export function faultIn(rows: readonly RosterRow[]): RosterFault | null {
  for (const [i, row] of rows.entries()) {
    const person = row.person ?? ''
    const times = [row.from, row.to, ...(row.rest ? [row.earliest, row.latest] : [])]
    if (person === '') return { kind: 'who', person }
    if (row.rest !== null && !isWithin(row.rest, { min: 0, max: mostRest, whole: true }))
      return { kind: 'rest', person }
    if (!times.every(isTime)) return { kind: 'wrong', person }
    if (row.from >= row.to || (row.rest && row.earliest > row.latest)) return { kind: 'order', person }
    if (rows.findIndex((r) => r.person === row.person) !== i) return { kind: 'twice', person }
  }
  return null
}

export const rosterFrom = (day: string, rows: readonly RosterRow[]): RosterSet => ({
  day,
  shifts: rows.map((r) => ({
    person: r.person ?? '',
    from: r.from,
    to: r.to,
    breaks: r.rest ? [{ minutes: r.rest, earliest: r.earliest, latest: r.latest }] : [],
    ...(r.away ? { away: true } : {}),
  })),
})
