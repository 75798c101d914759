import { latestProcedure, stationFold, type StationState } from '@tadka/core/procedure'
import { instant } from '@tadka/core/quantity'
import type { SiteSet, StationDuty } from '@tadka/core/house'
import { describe, expect, it } from 'vitest'
import { aheadOf, isBesides } from '../src/duty/ahead.ts'

const site: SiteSet = {
  name: 's',
  timeZone: 'Europe/Dublin',
  hours: Object.fromEntries(
    ['1', '2', '3', '4', '5', '6', '7'].map((d) => [d, { open: '06:00', close: '23:30' }]),
  ),
  closedDays: ['2026-12-08'],
  sailings: [],
  units: 'metric',
  freshHours: 4,
  emergencyNumber: '',
}
const station = (parameters: Record<string, number>, duties: StationDuty[]): StationState => ({
  ...stationFold.initial('st'),
  plate: { name: 'Bucket', tag: '', place: '', family: 'bucket', model: '', parameters, duties },
})
const open: StationDuty = { procedure: 'bucket.fill', trigger: { kind: 'each-open' }, rule: '' }
const weekly: StationDuty = { procedure: 'grinder.weekly', trigger: { kind: 'weekly', day: 3 }, rule: '' }
// A Thursday.
const now = instant(Date.parse('2026-11-26T12:00:00Z'))
const numbers = { bucket: 4000, bucketHolds: 6000 }

describe('the weeks ahead', () => {
  const days = aheadOf(site, [station(numbers, [open, weekly])], latestProcedure, now)
  it('begin on the Monday of this week, four of them, what is past left empty', () => {
    expect(days).toHaveLength(28)
    expect(days[0]?.date).toBe('2026-11-23')
    expect(days.filter((d) => d.date < '2026-11-26').flatMap((d) => d.items)).toEqual([])
  })
  it('hold the daily work of every trading day, and none on a closed one', () => {
    const closed = days.find((d) => d.date === '2026-12-08')
    expect(closed).toMatchObject({ closed: true, items: [], minutes: 0 })
    expect(days.find((d) => d.date === '2026-12-01')?.items.map((a) => a.due.procedure)).toContain(
      'bucket.fill',
    )
  })
  it('set off what comes besides, and count the hands that each day takes', () => {
    const wednesday = days.find((d) => d.date === '2026-12-02')
    expect(wednesday?.items.filter(isBesides).map((a) => a.due.procedure)).toEqual(['grinder.weekly'])
    expect(wednesday?.minutes).toBeGreaterThan(days.find((d) => d.date === '2026-12-01')?.minutes ?? 0)
  })
  it('spread work that comes by the months over the quietest nights before it is due', () => {
    const monthly: StationDuty = {
      procedure: 'grinder.weekly',
      trigger: { kind: 'months', months: 1 },
      rule: '',
    }
    const last = { run: '', finishedAt: Date.parse('2026-11-10T12:00:00Z'), by: '' }
    const two = ['one', 'two'].map((id) => ({
      ...station(numbers, [monthly, open]),
      id,
      lastRuns: { 'grinder.weekly': last },
    }))
    const items = aheadOf(site, two, latestProcedure, now)
      .flatMap((d) => d.items)
      .filter((a) => a.due.trigger === 'months')
    expect(items).toHaveLength(2)
    // Each on a night of its own, in its window, not on the closed day, and not on the last one.
    expect(new Set(items.map((a) => a.on)).size).toBe(2)
    for (const a of items) {
      expect(a.on < a.due.day && a.on >= '2026-11-26' && a.on !== '2026-12-08').toBe(true)
      expect(Date.parse(`${a.on}T23:59:59Z`)).toBeGreaterThanOrEqual(a.due.earliest)
    }
  })
  it('say so where the minutes are not known', () => {
    const [first] = aheadOf(site, [station({}, [open])], latestProcedure, now).flatMap((d) => d.items)
    expect(first?.minutes).toBeNull()
  })
})
