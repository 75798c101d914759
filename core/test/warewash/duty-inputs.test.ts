import { describe, expect, it } from 'vitest'
import { dueAhead, isDaily, type DueItem } from '../../duty/index.ts'
import { stationFold } from '../../procedure/index.ts'
import { bathFold } from '../../bath/index.ts'
import { instant } from '../../quantity/index.ts'
import type { SiteSet, StationSet } from '../../house/index.ts'
import { dutyInputs, dishFold, type DishState } from '../../warewash/index.ts'

const plate: StationSet = {
  name: 'Dish machine',
  tag: '1',
  place: '',
  family: 'dish-machine.stationary-dual',
  model: '',
  parameters: {},
  duties: [
    {
      procedure: 'dish-machine.delime',
      trigger: { kind: 'count', of: 'racks', every: 100 },
      rule: 'its manual',
    },
    { procedure: 'dish-machine.close', trigger: { kind: 'each-close' }, rule: 'code' },
  ],
}
const station = { ...stationFold.initial('dish'), plate }
const hours = { open: '08:00', close: '22:00' }
const site = {
  name: 's',
  timeZone: 'UTC',
  hours: Object.fromEntries([1, 2, 3, 4, 5, 6, 7].map((d) => [String(d), hours])),
  closedDays: [],
  sailings: [],
  units: 'metric',
  freshHours: 4,
  emergencyNumber: '112',
} as SiteSet
const now = instant(Date.parse('2026-11-26T21:00:00Z'))
const worked = {
  ...dishFold.initial('dish'),
  total: 120,
  lastAt: now,
} as DishState
const house = (dishes: readonly DishState[]) => ({
  site,
  stations: [station],
  dishes,
  baths: [],
  products: [],
  losses: {},
})
const ahead = (dishes: readonly DishState[]): DueItem[] => {
  const { stations, predictions } = dutyInputs(house(dishes))
  return dueAhead(site, stations, now, instant(now + 3 * 86_400_000), predictions)
}

describe('what falls due by a count of racks', () => {
  it('reaches whoever asks what comes: the list, the plan, the calendar', () => {
    const found = ahead([worked]).filter((d) => !isDaily(d))
    expect(found.map((d) => d.procedure)).toContain('dish-machine.delime')
  })
  it('is not due before the count', () => {
    expect(ahead([{ ...worked, total: 3 }]).filter((d) => !isDaily(d))).toEqual([])
  })
})

describe('a bath in a vessel', () => {
  const bath = (mixedAt: number) => ({
    ...bathFold.initial('b'),
    station: 'bucket',
    where: 'bucket',
    product: 'quat',
    target: null,
    mixedAt,
  })
  const known = (mixedAt: number) => ({
    ...house([]),
    baths: [bath(mixedAt)],
    products: [{ id: 'quat', agent: 'quat' as const }],
  })
  it('falls due to be changed when it is old, though nobody can say how it weakens', () => {
    const mixedAt = now - 3 * 3_600_000
    expect(dutyInputs(known(mixedAt) as never).predictions).toEqual([
      { station: 'bucket', what: 'bath', from: mixedAt + 3.5 * 3_600_000, at: mixedAt + 4 * 3_600_000 },
    ])
  })
})
