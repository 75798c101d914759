import { dateAt } from '@tadka/core/calendar'
import { instant } from '@tadka/core/quantity'
import type { RosterSet, RosterShift, SiteSet } from '@tadka/core/house'
import { eventsIn, localTimeOn } from '../site/events.ts'

interface Known {
  readonly id: string
  readonly name: string
}

/**
 * Rosters from an iCalendar file: each event whose title names a person of the site is a shift of theirs, on the day on which it
 * begins by the site's clock. Repeated events are told out for eight weeks. Throws where it is no calendar.
 */
export async function readCalendar(
  text: string,
  people: readonly Known[],
  site: Pick<SiteSet, 'timeZone'>,
): Promise<RosterSet[]> {
  const days = new Map<string, RosterShift[]>()
  for (const { summary, length, begins } of await eventsIn(text)) {
    const person = people.find((p) =>
      new RegExp(`(^|[^\\p{L}])${escaped(p.name)}([^\\p{L}]|$)`, 'iu').test(summary),
    )
    if (!person) continue
    for (const begin of begins) {
      const day = dateAt(instant(begin), site.timeZone)
      const shift: RosterShift = {
        person: person.id,
        from: localTimeOn(begin, day, site.timeZone),
        to: localTimeOn(begin + length, day, site.timeZone),
        breaks: [],
      }
      days.set(day, [...(days.get(day) ?? []).filter((s) => s.person !== person.id), shift])
    }
  }
  return [...days].map(([day, shifts]) => ({ day, shifts })).toSorted((a, b) => (a.day < b.day ? -1 : 1))
}

const escaped = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')
