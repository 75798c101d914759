import { atMost, interval, type TemperatureReading } from '../quantity/index.ts'
import { limitIn, type JudgedTemperature } from './chlorine.ts'
import { judged } from './heat.ts'
import { layerVerdict, limitVerdict, type Judgement } from './judgement.ts'
import { modelCode, type Profile } from './profile.ts'

export interface CleaningInterval {
  readonly hours: number
  readonly source: string
}

/**
 * How often utensils and surfaces in use with TCS food are cleaned.
 * @param room temperature of the refrigerated room they are kept in, or null for one at room temperature.
 * Returns the hours; for a room over the table, the room-temperature interval.
 * Source: FDA Food Code 2022, 4-602.11(C) (four hours) and (D)(2) (refrigerated, by temperature).
 */
export function cleaningInterval(
  room: TemperatureReading | null,
  profile: Profile = modelCode,
): CleaningInterval {
  const { source, roomHours, refrigerated } = profile.utensils
  if (room === null) return { hours: roomHours, source: `${profile.name}, ${source}(C)` }
  const row = refrigerated.find((r) => room.value <= limitIn(r.upTo, room.unit))
  return row
    ? { hours: row.hours, source: `${profile.name}, ${source}(D)(2)` }
    : { hours: roomHours, source: `${profile.name}, ${source}(C)` }
}

/** Where utensils in use with TCS food are kept, and how long since they were cleaned. */
export interface UtensilsReading {
  readonly kept: 'room' | 'refrigerated'
  /** Of the refrigerated room; null where it was not read. */
  readonly temperature: JudgedTemperature | null
  /** Since they were last cleaned; null where nobody knows. */
  readonly hours: number | null
}

/**
 * Whether utensils in use are within their cleaning interval. A temperature that may lie in two rows of the table passes by the
 * shorter interval alone, and is out past the longer; past the longest of all they are out at any temperature. Source: FDA Food Code 2022, 4-602.11(C) and (D)(2).
 */
export function judgeUtensils(r: UtensilsReading, profile: Profile = modelCode): Judgement {
  const hours = r.hours === null ? null : interval(r.hours, r.hours)
  const at = (end: number | null) =>
    r.temperature && end !== null ? cleaningInterval({ value: end, unit: r.temperature.unit }, profile) : null
  const longest = cleaningInterval({ value: -Infinity, unit: '°C' }, profile)
  const atRoom = cleaningInterval(null, profile)
  const inRoom = r.kept === 'room'
  const least = inRoom ? atRoom : at(r.temperature?.reading.hi ?? null)
  // Nothing that is not known can make it longer than this.
  const most = inRoom ? atRoom : (at(r.temperature?.reading.lo ?? null) ?? longest)
  const over = r.hours !== null && r.hours > most.hours
  const held = over ? most : least
  const limit = limitVerdict('hours', 'h', (held ?? atRoom).source, held && atMost(held.hours), hours)
  const between = least !== null && !over && limit.verdict === 'out'
  const limits = [between ? { ...limit, verdict: 'too-close' as const } : limit]
  if (!inRoom && r.temperature === null && !over)
    limits.push(limitVerdict('room', '°C', atRoom.source, null, null))
  return judged(profile, [layerVerdict('code', profile.name, limits)])
}
