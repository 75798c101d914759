import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { dateAt, instantAt, localTimeAt } from '../../calendar/index.ts'
import { coldOutcome } from '../../cold/index.ts'
import { instant } from '../../quantity/index.ts'

const [minute, hour] = [60_000, 3_600_000]
const zones = ['Europe/Berlin', 'America/New_York', 'Australia/Lord_Howe', 'Asia/Kolkata', 'UTC']

describe('a time of day that somebody types, by the clocks of the site', () => {
  it('comes back as the minute that it was read off at, or an hour before it where the clocks ran twice', () => {
    const any = fc.integer({ min: Date.UTC(2026, 0, 1) / minute, max: Date.UTC(2027, 0, 1) / minute })
    fc.assert(
      fc.property(any, fc.constantFrom(...zones), (minutes, zone) => {
        const at = instant(minutes * minute)
        const back = instantAt(dateAt(at, zone), localTimeAt(at, zone), zone)
        // What is earlier makes more doubtful and the food warm for longer: never the other way round.
        expect(at - back).toBeGreaterThanOrEqual(0)
        expect([0, hour / 2, hour]).toContain(at - back)
      }),
    )
  })
  it('is right over midnight', () => {
    const at = instantAt('2026-11-26', '23:50', 'Europe/Berlin')
    const later = instant(at + 15 * minute)
    expect([dateAt(later, 'Europe/Berlin'), localTimeAt(later, 'Europe/Berlin')]).toEqual([
      '2026-11-27',
      '00:05',
    ])
  })
  it('has food warm for as long as it was, in the night in which the clocks are put back or forward', () => {
    const zone = 'Europe/Berlin'
    const food = (from: string, to: string, date: string) => {
      const now = instantAt(date, to, zone)
      return coldOutcome({
        ...{ read: { value: 9, unit: '°C' }, coldBack: null, writtenHours: 4 },
        ...{ warmSince: instantAt(date, from, zone), readAt: now, now },
      }).is
    }
    // From 01:00 to 04:30 are four and a half hours in the night of 25 October 2026, and two and a half on 29 March.
    expect(food('01:00', '04:30', '2026-10-25')).toBe('discard')
    expect(food('01:00', '04:30', '2026-11-26')).toBe('use-by')
    expect(food('01:00', '05:30', '2026-03-29')).toBe('use-by')
  })
})
