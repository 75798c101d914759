import { describe, expect, it } from 'vitest'
import { enteredTypes, entriesOf, type LogOfDays } from '../../honesty/index.ts'
import { instant } from '../../quantity/index.ts'
import { runFold, stationFold, type RunState } from '../../procedure/index.ts'
import type { AnyRecord } from '../../stream/index.ts'
import { plate, readingRecord, recordOf } from '../records.ts'

const minute = 60_000
const run: RunState = {
  ...runFold.initial('r1'),
  status: 'finished',
  station: 'st',
  procedure: { id: 'bucket.fill', version: 2 },
  parameters: { bucket: 4000, bucketHolds: 6000 },
  startedAt: 10 * minute,
  startedBy: 'bao',
  endedAt: 30 * minute,
  done: { mix: { at: 12 * minute, by: 'bao', facts: {} }, check: { at: 20 * minute, by: 'bao', facts: {} } },
}
const step = (key: string, at: number, of = 'r1'): AnyRecord =>
  recordOf(at, 'run.step.done@2', { kind: 'run', id: of }, { run: of, station: 'st', step: key, facts: {} })
const log = (change: Partial<LogOfDays> = {}): LogOfDays => ({
  site: { timeZone: 'Europe/Dublin', hours: {}, closedDays: [] },
  records: [],
  runs: [run],
  stations: [{ ...stationFold.initial('st'), plate: { ...plate, place: 'Kiosk' } }],
  rosters: [],
  ...change,
})

describe('how a log was entered', () => {
  it('is told of strips by what was picked, and of the solution that they were dipped in', () => {
    const records = [
      readingRecord(1, 'r1', { matches: 150 }, null),
      readingRecord(2, 'r1', { between: [100, 150] }, null),
      readingRecord(3, 'r1', { darkerThan: 200 }, null),
    ]
    const whats = entriesOf(log({ records })).entries.map((e) => e.what)
    expect(whats).toEqual(
      ['150', '100..150', '>200'].map((block) => ({ kind: 'strip', like: 'chlor frozen-dessert', block })),
    )
  })
  it('is told by when it was tapped, by the tablet’s clock put right, never by when it arrived', () => {
    const late = { ...step('mix', 12), observedAt: 12 * minute, clockOffset: 5000, receivedAt: 900 * minute }
    expect(entriesOf(log({ records: [late as AnyRecord] })).entries).toMatchObject([
      {
        at: 12 * minute + 5000,
        person: 'bao',
        tablet: 'd',
        station: 'st',
        area: 'Kiosk',
        what: { kind: 'step', minutes: 3 },
      },
    ])
  })
  it('of a cleaning is told with what it is planned with, and how long its waits must last', () => {
    const finished = recordOf(30, 'run.finished@1', { kind: 'run', id: 'r1' }, { run: 'r1', station: 'st' })
    expect(entriesOf(log({ records: [finished] })).entries.map((e) => e.what)).toEqual([
      { kind: 'run', from: 10 * minute, waits: 0, work: 5 },
    ])
  })
  it('leaves out a cleaning that a lead entered for a day on paper, and waits, which are no work', () => {
    const records = [step('mix', 12), step('stand', 13)]
    expect(entriesOf(log({ records })).entries).toHaveLength(1)
    expect(entriesOf(log({ records, runs: [{ ...run, entered: true }] })).entries).toEqual([])
    expect(entriesOf(log({ records, runs: [] })).entries).toEqual([])
  })
  it('knows who was on shift, past midnight and in the site’s zone, and not who stayed away', () => {
    const shift = (person: string, more: object = {}) => ({
      person,
      from: '18:00',
      to: '25:30',
      breaks: [],
      ...more,
    })
    const rosters = [
      { day: '2026-07-01', shifts: [shift('bao'), shift('wen', { away: 'sick' })] },
    ] as LogOfDays['rosters']
    const at = (text: string) => instant(Date.parse(text))
    expect(entriesOf(log({ rosters })).shifts).toEqual([
      { person: 'bao', from: at('2026-07-01T17:00:00Z'), to: at('2026-07-02T00:30:00Z') },
    ])
    // What was entered on the day before, which has no roster, is not held against it.
    expect(entriesOf(log({ rosters })).rostered).toEqual([
      { from: at('2026-06-30T23:00:00Z'), to: at('2026-07-01T23:00:00Z') },
    ])
  })
  it('reads only what tells how it was entered', () => {
    const other = recordOf(1, 'run.parked@1', { kind: 'run', id: 'r1' }, {
      run: 'r1',
      station: 'st',
    } as never)
    expect(enteredTypes).not.toContain(other.type)
    expect(entriesOf(log({ records: [other] })).entries).toEqual([])
  })
})
