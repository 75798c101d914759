import { dateAt, weekdayOf } from '@tadka/core/calendar'
import type { Rush } from '@tadka/core/house'
import { instant } from '@tadka/core/quantity'
import { eventsIn, localTimeOn } from '../site/events.ts'

/**
 * Rushes of an ordinary week from an iCalendar file: each event with a time of day is a rush on the weekdays on which it falls. Those of the
 * same hours are one. Throws where it is no calendar.
 */
export async function readRushes(text: string, timeZone: string): Promise<Rush[]> {
  const found = new Map<string, { from: string; to: string; days: Set<number> }>()
  for (const { begins, length, isAllDay } of await eventsIn(text)) {
    if (isAllDay || length <= 0 || length > longest) continue
    for (const begin of begins) {
      const day = dateAt(instant(begin), timeZone)
      const from = localTimeOn(begin, day, timeZone)
      const to = localTimeOn(begin + length, day, timeZone)
      const known = found.get(`${from} ${to}`) ?? { from, to, days: new Set() }
      known.days.add(weekdayOf(day))
      found.set(`${from} ${to}`, known)
    }
  }
  return [...found.values()]
    .map(({ from, to, days }) => ({ from, to, days: [...days].toSorted(), load: 1 }))
    .toSorted((a, b) => a.from.localeCompare(b.from))
}

/** What lasts longer is no rush, milliseconds. */
const longest = 12 * 3_600_000
