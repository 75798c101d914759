import { describe, expect, it } from 'vitest'
import { stationFold, type StationState } from '../../procedure/index.ts'
import { instant } from '../../quantity/index.ts'
import { folds } from '../../record/index.ts'
import { type AnyRecord, type RecordType } from '../../stream/index.ts'
import { type BathState } from '../../bath/index.ts'
import type { Verdict } from '../../rules/index.ts'
import { isGone, machineOut, sinkOf, sinkPredictions, type DishState } from '../../warewash/index.ts'

const hourMs = 3_600_000
const begin = Date.UTC(2026, 10, 26, 5)
const record = (type: RecordType, at: number, payload: object) =>
  ({
    id: `${type}-${at}`,
    type,
    observedAt: at,
    clockOffset: 0,
    by: 'pim',
    payload: { station: 'sink', run: 'r', ...payload },
  }) as unknown as AnyRecord
const station = (...records: AnyRecord[]): StationState =>
  records.reduce((s, r) => stationFold.apply(s, r), stationFold.initial('sink'))
const plate = record('station.set@1', begin, { family: 'sink', parameters: { compartment: 38_000 } })
const setUp = (at: number) => [
  record('run.started@1', at - 600_000, { procedure: { id: 'sink.set-up' } }),
  record('run.finished@1', at, { procedure: 'sink.set-up' }),
]
const wash = (at: number, lo: number, verdict: Verdict) =>
  record('reading.taken@1', at, {
    what: 'wash-water',
    reading: { temperature: { unit: '°F', reading: { lo, hi: lo } } },
    judgement: { overall: verdict },
  })
const bath = (product: string, at: number, read: Verdict | null = null): BathState => {
  const mixed = record('bath.mixed@1', at, { product, volume: 38_000, capacity: 38_000, target: 100 })
  const reading = record('reading.taken@1', at + 60_000, {
    what: 'sanitizer',
    reading: { strength: { lo: 75, hi: 125 } },
    judgement: { overall: read ?? 'in' },
  })
  return [mixed, ...(read ? [reading] : [])].reduce(
    (s, r) => folds.bath.apply(s, r),
    folds.bath.initial(`bath-${product}`),
  )
}
const sink = (s: StationState, baths: readonly BathState[], hours: number) =>
  sinkOf(
    s,
    baths,
    (p) => p === 'chlor',
    undefined,
    () => null,
    instant(begin + hours * hourMs),
  )
const states = (s: StationState, baths: readonly BathState[], hours: number) =>
  sink(s, baths, hours).map((c) => c.state)

describe('a three-compartment sink', () => {
  const s = station(plate, ...setUp(begin), wash(begin + 60_000, 113, 'in'))
  const baths = [bath('soap', begin), bath('chlor', begin, 'in')]
  it('stands after it was set up, read, and tested; each by its own hours', () => {
    expect(states(s, baths, 1)).toEqual(['stands', 'stands', 'stands'])
    expect(states(s, baths, 2.1)).toEqual(['test', 'stands', 'test'])
    expect(states(s, baths, 4.1)).toEqual(['change', 'change', 'change'])
    // The wash was read a minute after it was filled, and is read again two hours later.
    expect(sink(s, baths, 1)[0]?.goodUntil).toBe(begin + 60_000 + 2 * hourMs)
    expect(sink(s, baths, 1)[0]).toMatchObject({ volume: 38_000, capacity: 38_000, filledAt: begin })
  })
  it('is empty where nobody set it up, and never passes for filled', () =>
    expect(states(station(plate), [], 1)).toEqual(['empty', 'empty', 'empty']))
  it('asks for a reading at once where the wash was too cold, or not read since it was filled', () => {
    const cold = station(plate, ...setUp(begin), wash(begin + 60_000, 100, 'out'))
    expect(states(cold, baths, 0.1)[0]).toBe('test')
    const before = station(plate, wash(begin - hourMs, 113, 'in'), ...setUp(begin))
    expect(states(before, baths, 0.1)[0]).toBe('test')
  })
  it('keeps the wash’s temperature in °C', () => expect(s.washWater?.celsius).toEqual({ lo: 45, hi: 45 }))
  it('asks for a test of a sanitizer that was never tested, or was not in', () => {
    expect(states(s, [bath('chlor', begin)], 0.1)[2]).toBe('test')
    expect(states(s, [bath('chlor', begin, 'out')], 0.1)[2]).toBe('test')
  })
  it('a bath is gone once its machine is drained or holds something else', () => {
    const holds = (contents: string) => ({ ...s, facets: { ...s.facets, contents } }) as StationState
    expect(isGone(holds('empty'))).toBe(true)
    expect(isGone(holds('product'))).toBe(true)
    expect(isGone(holds('sanitizer'))).toBe(false)
    expect(isGone(holds('unknown'))).toBe(false)
    expect(isGone(null)).toBe(false)
  })
})

describe('a sink that takes over from a dish machine', () => {
  const out = (way: 'sink' | 'single-service', hours: number): Pick<DishState, 'aside'> => ({
    aside: { at: begin + hours * hourMs, by: 'ines', way, inDoubt: 0, rewashed: true, asks: 'heat' },
  })
  it('is to be set up within half an hour, once', () => {
    const s = station(plate, ...setUp(begin))
    const [asked] = sinkPredictions(s, [{ aside: null }, out('sink', 3)])
    expect(asked).toEqual({
      station: 'sink',
      what: machineOut,
      from: begin + 3 * hourMs,
      at: begin + 3.5 * hourMs,
    })
    expect(sinkPredictions(station(plate, ...setUp(begin + 4 * hourMs)), [out('sink', 3)])).toEqual([])
  })
  it('is not where the kitchen goes on otherwise, or the machine serves', () => {
    expect(sinkPredictions(station(plate), [out('single-service', 3), { aside: null }])).toEqual([])
  })
})
