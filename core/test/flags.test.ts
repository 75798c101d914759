import { describe, expect, it } from 'vitest'
import * as procedure from '../procedure/index.ts'
import { flagsOf, type Flag } from '../record/index.ts'
import { judge, taken, type Read } from '../reading/index.ts'
import { type AnyRecord } from '../stream/index.ts'
import { interval, point } from '../quantity/index.ts'
import { readingRecord, stationFor, workThrough } from './records.ts'

const close = workThrough('soft-serve-gravity.close')
const open = workThrough('soft-serve-gravity.open')

/** The states just before the record that marks `step` done, and that record. */
function before(worked: typeof close, step: string) {
  const at = worked.records.findIndex((r) => r.type === 'run.step.done@2' && r.payload.step === step)
  const done = worked.records[at]
  if (!done) throw new Error(`no step ${step}`)
  const earlier = worked.records.slice(0, at)
  return {
    done,
    run: earlier.reduce(procedure.runFold.apply, procedure.runFold.initial(worked.run.id)),
    station: earlier.reduce(procedure.stationFold.apply, stationFor(worked.known)),
  }
}
const flags = (
  record: AnyRecord,
  run: procedure.RunState | null,
  station: procedure.StationState | null,
  at = record.observedAt,
) => flagsOf(record, { run, station, at, freshHours: 4 })

describe('acts that the state forbids are kept, flagged', () => {
  it.each([
    ['hands in before isolation', close, 'parts-out', { power: 'off' }],
    ['brushing the barrel with the plug in', close, 'barrel', { power: 'standby' }],
    ['product in before sanitizing', open, 'prime', { hygiene: 'clean' }],
    ['product in with parts out', open, 'prime', { partsOut: 2 }],
    ['freezing with water inside', open, 'freeze', { contents: 'rinse' }],
    ['freezing with sanitizer inside', open, 'freeze', { contents: 'sanitizer' }],
    ['serving with nobody knowing what is inside', open, 'first-draw', { contents: 'unknown' }],
    ['sanitizer on descaler', open, 'sanitizer-pour', { contents: 'descaler' }],
    ['sanitizer on what nobody washed', open, 'sanitizer-pour', { hygiene: 'soiled' }],
  ] as const)('%s', (_, worked, step, change) => {
    const { done, run, station } = before(worked, step)
    const changed = { ...station, facets: { ...station.facets, ...change } }
    expect(flags(done, run, changed)).toEqual<Flag[]>(['forbidden-act'])
    expect(flags(done, run, station)).toEqual([])
  })
  it('sanitized too long ago, product in', () => {
    const { done, run, station } = before(open, 'prime')
    const later = done.observedAt + 5 * 3_600_000
    expect(flags(done, run, station, later)).toEqual<Flag[]>(['forbidden-act'])
  })
})

describe('steps', () => {
  it('done before their turn are out of order', () => {
    const { run, station } = before(close, 'wash-mix')
    const { done } = before(close, 'wash-drain')
    expect(flags(done, run, station)).toContain<Flag>('out-of-order')
  })
  it('a wait ended at its time is fine, a second before is cut short', () => {
    const { done, run, station } = before(close, 'wash-agitate')
    const ends = procedure.waitEndsAt(run, 'wash-agitate') ?? 0
    const endedAt = (at: number) => ({ ...done, observedAt: at, receivedAt: at }) as AnyRecord
    expect(flags(endedAt(ends), run, station)).toEqual([])
    expect(flags(endedAt(ends - 1000), run, station)).toEqual<Flag[]>(['wait-cut-short'])
  })
  it('in a run that is parked, finished or given up do not run', () => {
    const { done, run, station } = before(close, 'feed-tube')
    for (const status of ['parked', 'finished', 'abandoned'] as const)
      expect(flags(done, { ...run, status }, station)).toContain<Flag>('run-not-running')
  })
  it('of a procedure that this version does not know are judged as far as can be', () => {
    const { done, run, station } = before(close, 'feed-tube')
    expect(
      flags(done, { ...run, procedure: { id: 'unknown', version: 1 }, document: null }, station),
    ).toEqual([])
  })
})

describe('starting', () => {
  const start = close.records[0] as AnyRecord
  it('twice, or on a station where another run is, is told', () => {
    const { run, station } = before(close, 'feed-tube')
    expect(flags(start, run, station)).toEqual<Flag[]>(['run-already-started'])
    expect(
      flags({ ...start, payload: { ...start.payload, run: 'another' } } as AnyRecord, null, station),
    ).toContain<Flag>('station-busy')
    expect(flags(start, null, stationFor(close.known))).toEqual([])
  })
})

describe('a reading', () => {
  const place = { station: 'st', run: null, step: null, bath: null, case: null }
  const at = (value: number) => ({ unit: '°C' as const, reading: point(value) })
  const reads: [string, Read, string][] = [
    [
      'of a dish machine',
      {
        what: 'dish-machine',
        reading: { kind: 'chemical', wash: at(49), rinse: null, pressure: null, surface: null, plate: null },
      },
      'in',
    ],
    ['of hot water by hand', { what: 'hot-water', reading: { temperature: at(76), seconds: 30 } }, 'out'],
    ['of wash water', { what: 'wash-water', reading: { temperature: null, label: null } }, 'cannot-tell'],
    [
      'of cold product',
      { what: 'cold-product', reading: { unit: '°C', value: 5, interval: interval(4.5, 5.5) } },
      'too-close',
    ],
  ]
  it.each(reads)('%s is judged the same by everyone', (_, read, verdict) => {
    const payload = taken(read, place, ['probe'])
    expect([judge(read).overall, payload.judgement.overall]).toEqual([verdict, verdict])
  })
  it('of a strip, too', () => {
    expect(flags(readingRecord(1, 'r', { matches: 50 }, null), null, null)).toEqual([])
  })
})
