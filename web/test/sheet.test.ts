import { dueList } from '@tadka/core/duty'
import { instant } from '@tadka/core/quantity'
import { runFold, stationFold, type RunState, type StationState } from '@tadka/core/procedure'
import type { SiteSet } from '@tadka/core/house'
import { describe, expect, it } from 'vitest'
import { halfHours, sheetOf } from '../src/duty/sheet.ts'

const hour = 3_600_000
const now = instant(Date.parse('2026-11-26T22:40:00Z'))
const site: SiteSet = {
  name: 's',
  timeZone: 'Europe/Dublin',
  hours: { '4': { open: '05:30', close: '23:30' }, '5': { open: '05:30', close: '23:30' } },
  closedDays: [],
  sailings: [{ departs: '21:10', days: [4], load: 1 }],
  units: 'metric',
  freshHours: 4,
  emergencyNumber: '',
}
const station = (id: string, duties: number): StationState => ({
  ...stationFold.initial(id),
  plate: {
    name: id,
    tag: '1',
    place: '',
    family: 'soft-serve-gravity',
    model: '',
    parameters: {},
    duties: Array.from({ length: duties }, () => ({
      procedure: 'soft-serve-gravity.close',
      trigger: { kind: 'each-close' as const },
      rule: '',
    })),
  },
})
const run = (id: string, change: Partial<RunState>): RunState => ({
  ...runFold.initial(id),
  station: 'a',
  status: 'running',
  startedAt: now - hour,
  ...change,
})
const stations = [station('a', 1), station('b', 0)]
const make = (runs: RunState[]) => sheetOf(site, stations, dueList(site, stations, now), runs, now)

describe('the sheet of the evening', () => {
  it('spans nine hours and a half around now, from a half hour', () => {
    const sheet = make([])
    expect(sheet.to - sheet.from).toBe(9.5 * hour)
    expect(sheet.from % (hour / 2)).toBe(0)
    expect(sheet.from <= now - 2 * hour + hour / 2 && sheet.to > now).toBe(true)
    expect(halfHours(sheet)).toHaveLength(19)
  })
  it('has a lane for each station with duties, and its windows', () => {
    const sheet = make([])
    expect(sheet.lanes.map((l) => l.station.id)).toEqual(['a'])
    expect(sheet.lanes[0]?.due.map((d) => d.day)).toEqual(['2026-11-26'])
  })
  it('shows a run from its start to its end, and one that runs up to now', () => {
    const runs = [
      run('r1', {}),
      run('r2', { status: 'finished', startedAt: now - 2 * hour, endedAt: now - hour }),
    ]
    expect(make(runs).lanes[0]?.runs).toEqual([
      { id: 'r1', from: now - hour, to: now, running: true, procedure: '' },
      { id: 'r2', from: expect.any(Number) as number, to: now - hour, running: false, procedure: '' },
    ])
  })
  it('leaves out what was given up and what ended before the sheet begins', () => {
    const old = { startedAt: now - 20 * hour, endedAt: now - 19 * hour, status: 'finished' as const }
    expect(make([run('r1', old), run('r2', { status: 'abandoned', endedAt: now })]).lanes[0]?.runs).toEqual(
      [],
    )
  })
  it('draws the sailings that leave on it, and the tide before them', () => {
    const sheet = make([])
    expect(sheet.sailings.map((s) => s.departs)).toEqual(['21:10'])
    const crest = sheet.tide.reduce((a, b) => (b.height > a.height ? b : a))
    expect(crest.at).toBeLessThan(Date.parse('2026-11-26T21:10:00Z'))
  })
})
