import { dateAfter } from '@tadka/core/calendar'
import type { CrewSet, RosterSet, RosterShift } from '@tadka/core/house'
import crewJson from './data/crew.json' with { type: 'json' }

export const crew: Readonly<Record<string, CrewSet>> = crewJson

/** Certificates that the demo's people hold: whose, of what kind, the number on it, and its last day. */
export const papers = [
  ['ines', 'food-manager', 'FM-3310', '2029-03-31'],
  ['oriel', 'food-manager', 'FM-2204', '2028-06-30'],
  ['bao', 'food-handler', 'FH-7712', '2027-09-30'],
  ['wen', 'food-handler', 'FH-7713', '2027-01-10'],
] as const

const shift = (person: string, from: string, to: string, rest: readonly [string, string]): RosterShift => ({
  person,
  from,
  to,
  breaks: [{ minutes: 20, earliest: rest[0], latest: rest[1] }],
})

/** Two shifts a day, the same each day: the demo's people like their routine. */
const shifts: readonly RosterShift[] = [
  shift('oriel', '04:45', '13:00', ['08:30', '10:30']),
  shift('noor', '04:45', '13:30', ['08:30', '10:30']),
  shift('pim', '04:30', '13:00', ['08:30', '10:30']),
  shift('dara', '13:00', '24:00', ['17:00', '19:00']),
  shift('bao', '15:00', '24:30', ['18:00', '20:00']),
  shift('tomas', '14:30', '25:00', ['17:30', '19:30']),
  shift('wen', '13:30', '24:30', ['17:30', '19:30']),
  shift('ines', '15:30', '25:00', ['18:30', '20:30']),
]

const minutesOf = (time: string): number => {
  const [hours = 0, minutes = 0] = time.split(':').map(Number)
  return hours * 60 + minutes
}
/** Somebody comes a little early, and stays to finish. */
const early = 75
const late = 45

/** Who of some people is there at a time of the day, minutes from its midnight; all of them where nobody is. */
export function onShiftAt(minute: number, among: readonly string[]): readonly string[] {
  const there = shifts
    .filter((s) => among.includes(s.person))
    // An evening's shift ends past midnight.
    .filter((s) =>
      [minute, minute + 1440].some((m) => m >= minutesOf(s.from) - early && m < minutesOf(s.to) + late),
    )
    .map((s) => s.person)
  return there.length > 0 ? there : among
}

/** The rosters of `days` dates from `from`. */
export const rosters = (from: string, days: number): RosterSet[] =>
  Array.from({ length: days }, (_, i) => ({ day: dateAfter(from, i), shifts }))
