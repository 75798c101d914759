import { describe, expect, it } from 'vitest'
import { readRushes } from '../src/house/rush-calendar.ts'

const event = (...lines: string[]) => ['BEGIN:VEVENT', 'UID:x', ...lines, 'END:VEVENT']
const calendar = (...events: string[][]) =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:test', ...events.flat(), 'END:VCALENDAR'].join('\r\n')

describe('rushes from a calendar', () => {
  it('are events by the hours of the site’s clock, on the weekdays on which they fall', async () => {
    const lunch = event(
      'SUMMARY:Lunch',
      'DTSTART:20261130T103000Z',
      'DTEND:20261130T123000Z',
      'RRULE:FREQ=WEEKLY;BYDAY=MO,WE,FR;COUNT=12',
    )
    const late = event('SUMMARY:Concert', 'DTSTART:20261205T220000Z', 'DTEND:20261206T000000Z')
    expect(await readRushes(calendar(lunch, late), 'Europe/Berlin')).toEqual([
      { from: '11:30', to: '13:30', days: [1, 3, 5], load: 1 },
      { from: '23:00', to: '25:00', days: [6], load: 1 },
    ])
  })
  it('of the same hours are one, and a day without hours is none', async () => {
    const monday = event('DTSTART:20261130T113000Z', 'DTEND:20261130T133000Z')
    const tuesday = event('DTSTART:20261201T113000Z', 'DTEND:20261201T133000Z')
    const holiday = event('DTSTART;VALUE=DATE:20261225', 'DTEND;VALUE=DATE:20261226')
    expect(await readRushes(calendar(monday, tuesday, holiday), 'UTC')).toEqual([
      { from: '11:30', to: '13:30', days: [1, 2], load: 1 },
    ])
    expect(await readRushes(calendar(holiday), 'UTC')).toEqual([])
  })
  it('are not read from what is no calendar', async () => {
    await expect(readRushes('a,b,c', 'UTC')).rejects.toThrow()
  })
})
