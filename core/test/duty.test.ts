import { describe, expect, it } from 'vitest'
import * as calendar from '../calendar/index.ts'
import * as duty from '../duty/index.ts'
import { instant } from '../quantity/index.ts'
import { stationFold, type StationState } from '../procedure/index.ts'
import type { SiteSet } from '../house/index.ts'
import { plate } from './records.ts'

const site: SiteSet = {
  name: 's',
  timeZone: 'Europe/Dublin',
  hours: Object.fromEntries(
    ['1', '2', '3', '4', '5', '6', '7'].map((d) => [d, { open: '05:30', close: '24:30' }]),
  ),
  closedDays: ['2026-12-25'],
  sailings: [{ departs: '21:10', days: [4], load: 1 }],
  units: 'metric',
  freshHours: 4,
  emergencyNumber: '',
}
const at = (text: string) => instant(Date.parse(text))
const station = (last: Record<string, number> = {}): StationState => ({
  ...stationFold.initial('st'),
  plate,
  lastRuns: Object.fromEntries(
    Object.entries(last).map(([id, finishedAt]) => [id, { run: 'r', finishedAt, by: 'bao' }]),
  ),
})
const close = 'soft-serve-gravity.close'
const due = (now: string, last: Record<string, number> = {}) =>
  duty.dueList(site, [station(last)], at(now)).find((d) => d.procedure === close)

describe('a station that was removed from the site', () => {
  it('has nothing due and leaves nothing of a day undone; put back, it has its schedule again', () => {
    const now = at('2026-11-26T22:00:00Z')
    const of = (retired: object) => [{ ...station(), plate: { ...plate, ...retired } }]
    const due = (stations: StationState[]) => duty.dueList(site, stations, now).length
    const left = (stations: StationState[]) =>
      duty.dayLeft({ site, stations, runs: [], cases: [] }, '2026-11-26', at('2026-11-27T12:00:00Z')).length
    expect([due(of({ retired: true })), left(of({ retired: true }))]).toEqual([0, 0])
    expect(due(of({}))).toBeGreaterThan(0)
    expect(left(of({}))).toBeGreaterThan(0)
  })
})

describe('a station that was not there yet', () => {
  it('left nothing undone on the days before it was entered', () => {
    const left = (since: string | null) =>
      duty.dayLeft(
        {
          ...{ site, stations: [station()], runs: [], cases: [] },
          ...(since === null ? {} : { since: new Map([['st', at(since)]]) }),
        },
        '2026-11-26',
        at('2026-11-28T12:00:00Z'),
      ).length
    expect(left('2026-11-28T09:00:00Z')).toBe(0)
    expect(left('2026-11-20T09:00:00Z')).toBe(left(null))
    expect(left(null)).toBeGreaterThan(0)
  })
})

describe('trading days', () => {
  it('a close past midnight falls on the next date', () => {
    expect(calendar.tradingDay(site, '2026-11-26')?.closes).toBe(at('2026-11-27T00:30:00Z'))
    expect(calendar.tradingDayAt(site, at('2026-11-27T00:10:00Z'))?.date).toBe('2026-11-26')
  })
  it('a day the site is closed is none', () => {
    expect(calendar.tradingDay(site, '2026-12-25')).toBeNull()
  })
  it.each([
    ['the night the clocks go back', '2026-10-24', 6],
    ['the night the clocks go forward', '2026-03-28', 4],
    ['any other night', '2026-11-26', 5],
  ])('%s (%s), %d hours lie between close and open', (_, date, hours) => {
    const day = calendar.tradingDay(site, date)
    const next = calendar.tradingDay(site, calendar.dateAfter(date, 1))
    expect(((next?.opens ?? 0) - (day?.closes ?? 0)) / 3_600_000).toBe(hours)
  })
})

describe('what is due', () => {
  it('is ahead before its window, then now, then past the target, then late, and says how many minutes are left', () => {
    expect(due('2026-11-26T18:00:00Z')?.risk).toBe('ahead')
    expect(due('2026-11-26T22:00:00Z')).toMatchObject({ risk: 'now', minutesLeft: 270, day: '2026-11-26' })
    expect(due('2026-11-27T01:20:00Z')?.risk).toBe('past-target')
    const yesterday = { [close]: at('2026-11-26T00:40:00Z') }
    expect(due('2026-11-27T03:00:00Z', yesterday)).toMatchObject({ risk: 'late', minutesLeft: -30 })
  })
  it('done within its window, is due again the next day', () => {
    expect(due('2026-11-26T23:50:00Z', { [close]: at('2026-11-26T23:40:00Z') })?.day).toBe('2026-11-27')
  })
  it('missed and overtaken, gives way to the next', () => {
    expect(due('2026-11-27T22:00:00Z', { [close]: at('2026-11-25T23:40:00Z') })?.day).toBe('2026-11-27')
  })
  it('passes over a closed day', () => {
    expect(due('2026-12-25T12:00:00Z', { [close]: at('2026-12-25T00:20:00Z') })?.day).toBe('2026-12-26')
  })
})

describe('demand', () => {
  const noon = (day: string) => at(`${day}T12:00:00Z`)
  it('rises before a sailing on its days, and only then', () => {
    const thursday = duty.rushPeaks(site, noon('2026-11-26'), noon('2026-11-27'))
    expect(thursday.map((p) => p.sailing?.at)).toEqual([at('2026-11-26T21:10:00Z')])
    expect(duty.demandAt(thursday, at('2026-11-26T20:57:00Z'))).toBeCloseTo(1, 6)
    expect(duty.demandAt(thursday, at('2026-11-26T15:00:00Z'))).toBeLessThan(0.001)
    expect(duty.rushPeaks(site, noon('2026-11-27'), noon('2026-11-28'))).toEqual([])
  })
  it('is a rush between the hours of the week that were entered: a third of its peak at either end', () => {
    const lunch = { from: '11:30', to: '13:30', days: [5], load: 1.5 }
    const friday = duty.rushPeaks(
      { ...site, rushes: [lunch] },
      at('2026-11-27T00:00:00Z'),
      at('2026-11-28T00:00:00Z'),
    )
    const demand = (time: string) => duty.demandAt(friday, at(`2026-11-27T${time}:00Z`))
    expect(friday.map((p) => p.sailing)).toEqual([null])
    expect(demand('12:30')).toBeCloseTo(1.5, 9)
    expect([demand('11:30'), demand('13:30')].map((d) => d.toFixed(6))).toEqual(['0.500000', '0.500000'])
    expect(demand('15:30')).toBeLessThan(0.02)
  })
})
