import { Refusal } from '../refusal/index.ts'

/** What can be read of a thing at all: anything else is a slip of the finger, or the wrong unit. */
export interface Plausible {
  readonly lo: number
  readonly hi: number
}

/** Water in use: colder it is ice, hotter it is steam. From memory. */
const water = { '°C': { lo: -5, hi: 115 }, '°F': { lo: 23, hi: 239 } } as const
/** Product and rooms, frozen ones too. From memory. */
const cold = { '°C': { lo: -40, hi: 115 }, '°F': { lo: -40, hi: 239 } } as const

/** What each quantity can be, by its unit; both ends can be. From memory. */
const ranges = {
  water,
  product: cold,
  room: cold,
  strength: { ppm: { lo: 0, hi: 20_000 } },
  pH: { pH: { lo: 0, hi: 14 } },
  hardness: { 'mg/L': { lo: 0, hi: 3000 }, gpg: { lo: 0, hi: 175 } },
  pressure: { kPa: { lo: 0, hi: 1500 }, psi: { lo: 0, hi: 220 } },
  time: { s: { lo: 0, hi: 7200 } },
  hours: { h: { lo: 0, hi: 10_000 } },
  drops: { drops: { lo: 0, hi: 200 } },
} as const satisfies Record<string, Record<string, Plausible>>

export type PlausibleKind = keyof typeof ranges

/** What a quantity can be in a unit. Throws `unit_missing` where it is never read in that unit. */
export function plausible(kind: PlausibleKind, unit: string): Plausible {
  const range = (ranges[kind] as Readonly<Record<string, Plausible>>)[unit]
  if (!range) throw new Refusal('unit_missing', { field: kind })
  return range
}

/** Whether a number, or both ends of what was read, can be. An end that is open says nothing. @param slack what the instrument may be off by. */
export function isPlausible(
  kind: PlausibleKind,
  unit: string,
  read: number | { readonly lo: number | null; readonly hi: number | null },
  slack = 0,
): boolean {
  const range = plausible(kind, unit)
  const ends = typeof read === 'number' ? [read] : [read.lo, read.hi].filter((v) => v !== null)
  return ends.every((v) => v >= range.lo - slack && v <= range.hi + slack)
}
