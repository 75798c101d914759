import type { TemperatureReading } from '../quantity/index.ts'
import { limitIn } from './chlorine.ts'
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
