import { dateAfter, instantAt } from '@tadka/core/calendar'

/** An event of an iCalendar file. Times are milliseconds UTC, lengths milliseconds. */
export interface CalendarEvent {
  readonly summary: string
  readonly length: number
  /** When it begins; a repeated one is told out for eight weeks. */
  readonly begins: readonly number[]
  /** It has days and no time of day. */
  readonly isAllDay: boolean
}

/** The events of an iCalendar file. Throws where it is none. */
export async function eventsIn(text: string): Promise<CalendarEvent[]> {
  const { default: ical } = await import('ical.js')
  const component = new ical.Component(ical.parse(text) as unknown[] as never)
  for (const zone of component.getAllSubcomponents('vtimezone')) ical.TimezoneService.register(zone)
  return component
    .getAllSubcomponents('vevent')
    .map((e) => new ical.Event(e))
    .map((event) => ({
      summary: event.summary ?? '',
      length: event.endDate.toJSDate().getTime() - event.startDate.toJSDate().getTime(),
      begins: beginsOf(event),
      isAllDay: event.startDate.isDate,
    }))
}

const weeksAhead = 8

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
export function localTimeOn(at: number, day: string, timeZone: string): string {
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
