import { describe, expect, it } from 'vitest'
import {
  firstDo,
  latestProcedure,
  proceduresOf,
  startFaults,
  stationFold,
  type Facets,
  type Procedure,
  type StationState,
} from '../../procedure/index.ts'
import { plate, recordOf, stationFor } from '../records.ts'

const open = latestProcedure('soft-serve-gravity.open') as Procedure
const close = latestProcedure('soft-serve-gravity.close') as Procedure
const family = proceduresOf('soft-serve-gravity')
const standing = (
  p: Procedure,
  change: Partial<Facets> = {},
  more: Partial<StationState> = {},
): StationState => {
  const fit = stationFor(p)
  return { ...fit, facets: { ...fit.facets, ...change }, ...more }
}
const whys = (p: Procedure, s: StationState) => startFaults(p, s).map((f) => f.why)
const first = (p: Procedure, s: StationState) => firstDo(startFaults(p, s), p, s, family)

describe('a start that does not fit is answered with what to do first', () => {
  it('one that fits is not', () => {
    expect(startFaults(open, standing(open))).toEqual([])
    expect(startFaults(close, standing(close))).toEqual([])
  })
  it('Open on a machine that holds product and freezes: Close it first', () => {
    const running = standing(close)
    expect(whys(open, running)).toEqual(expect.arrayContaining(['contents', 'assembly', 'running']))
    expect(first(open, running)).toEqual([{ kind: 'procedure', procedure: close.id }])
  })
  it('Open on parts that nobody washed: Close does that', () => {
    expect(whys(open, standing(open, { hygiene: 'soiled' }))).toEqual(['not-clean'])
  })
  it('Close on a machine whose parts are out counts nothing out that is out already', () => {
    expect(whys(close, standing(close, { assembly: 'drying', partsOut: 18 }))).toContain('assembly')
  })
  it('Close on a machine with sanitizer in it: drain it first', () => {
    const wet = standing(close, { contents: 'sanitizer' })
    expect(whys(close, wet)).toEqual(['contents'])
    expect(first(close, wet)).toEqual([{ kind: 'safe', did: 'drained' }])
  })
  it('Close on a machine that is drained already is as good', () => {
    expect(startFaults(close, standing(close, { contents: 'empty' }))).toEqual([])
  })
  it('a new machine that nobody has told of: say how it stands', () => {
    const fresh = { ...stationFold.initial('st'), plate }
    expect(first(close, fresh)).toEqual([{ kind: 'tell' }])
    const seen = recordOf(
      1,
      'station.observed@1',
      { kind: 'station', id: 'st' },
      { station: 'st', contents: 'product', assembly: 'whole', power: 'on' },
    )
    const told = stationFold.apply(fresh, seen)
    expect(startFaults(close, told)).toEqual([])
    // What somebody sees makes nothing clean: the first opening comes after a close.
    expect(whys(open, told)).toContain('contents')
    expect(told.facets.hygiene).toBe('unknown')
  })
  it('out of service: what brings product waits until it is back', () => {
    const out = { since: 1, by: 'b', why: 'reported' as const, run: null, step: null, what: 'smells' }
    const stopped = standing(open, {}, { outOfService: out })
    expect(whys(open, stopped)).toEqual(['out-of-service'])
    expect(first(open, stopped)).toEqual([{ kind: 'return' }])
  })
})
