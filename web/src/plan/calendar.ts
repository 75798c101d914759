import { dateAfter, dateAt, instantAt } from '@tadka/core/duty'
import { instant } from '@tadka/core/quantity'
import type { RosterSet, RosterShift, SiteSet } from '@tadka/core/house'

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
  const { default: ical } = await import('ical.js')
  const component = new ical.Component(ical.parse(text) as unknown[] as never)
  const days = new Map<string, RosterShift[]>()
  for (const zone of component.getAllSubcomponents('vtimezone')) ical.TimezoneService.register(zone)
  for (const event of component.getAllSubcomponents('vevent').map((e) => new ical.Event(e))) {
    const person = people.find((p) =>
      new RegExp(`(^|[^\\p{L}])${escaped(p.name)}([^\\p{L}]|$)`, 'iu').test(event.summary ?? ''),
    )
    if (!person) continue
    const length = event.endDate.toJSDate().getTime() - event.startDate.toJSDate().getTime()
    for (const begin of beginsOf(event)) {
      const day = dateAt(instant(begin), site.timeZone)
      const shift: RosterShift = {
        person: person.id,
        from: localTime(begin, day, site.timeZone),
        to: localTime(begin + length, day, site.timeZone),
        breaks: [],
      }
      days.set(day, [...(days.get(day) ?? []).filter((s) => s.person !== person.id), shift])
    }
  }
  return [...days].map(([day, shifts]) => ({ day, shifts })).toSorted((a, b) => (a.day < b.day ? -1 : 1))
}

const weeksAhead = 8
const escaped = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')

interface Repeating {
  readonly startDate: { toJSDate: () => Date }
  isRecurring: () => boolean
  iterator: () => { next: () => { toJSDate: () => Date } | null | undefined }
}

function beginsOf(event: Repeating): number[] {
  const first = event.startDate.toJSDate().getTime()
  if (!event.isRecurring()) return [first]
  const begins: number[] = []
  const iterator = event.iterator()
  for (let next = iterator.next(); next; next = iterator.next()) {
    const at = next.toJSDate().getTime()
    if (at > first + weeksAhead * 7 * 86_400_000) break
    begins.push(at)
  }
  return begins
}

/** "HH:MM" by the site's clock, counted on past 24:00 where it falls on the day after. */
function localTime(at: number, day: string, timeZone: string): string {
  const text = new Intl.DateTimeFormat('en-GB', {
    timeZone,
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
  }).format(at)
  const [hours = '0', minutes = '00'] = text.split(':')
  const over = at >= instantAt(dateAfter(day, 1), '00:00', timeZone) ? 24 : 0
  return `${String(Number(hours) + over).padStart(2, '0')}:${minutes}`
}
