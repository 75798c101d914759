import { describe, expect, it } from 'vitest'
import { faultFold, hoursDown, openFaults, warrantyOn, type FaultSeen } from '../../fault/index.ts'
import { stationFold } from '../../procedure/index.ts'
import type { AnyRecord } from '../../stream/index.ts'
import { recordOf } from '../records.ts'

const hour = 3_600_000
const station = { kind: 'station', id: 'twin' } as const
const fault = { kind: 'fault', id: 'f' } as const
const seen = (n: number, works: FaultSeen['works']) =>
  recordOf(n, 'fault.seen@1', fault, { station: 'twin', kind: 'leak', works, said: 'drips', photo: null })
const returned = (n: number) =>
  recordOf(n, 'station.returned@1', station, { station: 'twin', mended: 'seal', proof: 'no drip' })
const stationAfter = (...records: AnyRecord[]) =>
  records.reduce(stationFold.apply, stationFold.initial('twin'))
const faultAfter = (...records: AnyRecord[]) => records.reduce(faultFold.apply, faultFold.initial('f'))

describe('a machine with a fault', () => {
  it('is out of service from when it may not be worked with', () => {
    expect(stationAfter(seen(1, 'no')).outOfService).toMatchObject({ why: 'reported', what: 'drips' })
    expect(stationAfter(seen(1, 'care')).outOfService).toBeNull()
  })
  it('keeps what stopped it first', () => {
    const stopped = recordOf(1, 'station.stopped@1', station, { station: 'twin', reason: 'noise' })
    expect(stationAfter(stopped, seen(2, 'no')).outOfService?.what).toBe('noise')
  })
  it('is not given back to service by being mended: a lead gives it back, and it is cleaned', () => {
    const mended = recordOf(2, 'fault.mended@1', fault, {
      ...{ station: 'twin', who: 'us', did: 'seal', parts: [], labour: null, warranty: false },
    })
    expect(stationAfter(seen(1, 'no'), mended).outOfService).not.toBeNull()
    const back = stationAfter(seen(1, 'no'), mended, returned(3))
    expect(back.outOfService).toBeNull()
    expect(back.facets.hygiene).toBe('unknown')
  })
  it('remembers how long it was down, whatever brought it back', () => {
    const [stop, back] = [seen(1, 'no'), returned(2)]
    const { downs } = stationAfter(stop, back)
    expect(downs).toEqual([{ from: stop.observedAt, to: back.observedAt }])
  })
  it('is open until it is mended or dropped, what stops it first', () => {
    const dropped = recordOf(2, 'fault.dropped@1', fault, { reason: 'was none' })
    expect(openFaults([faultAfter(seen(1, 'no'), dropped)])).toEqual([])
    const two = openFaults([
      { ...faultAfter(seen(1, 'yes')), id: 'a' },
      { ...faultAfter(seen(2, 'no')), id: 'b' },
    ])
    expect(two.map((f) => f.id)).toEqual(['b', 'a'])
  })
})

describe('hours down', () => {
  it.each([
    ['within the span', [{ from: 10 * hour, to: 13 * hour }], 3],
    ['cut at both ends', [{ from: -5 * hour, to: 200 * hour }], 24],
    ['until now where it lasts', [{ from: 20 * hour, to: null }], 2],
    ['nothing of another day', [{ from: 30 * hour, to: 40 * hour }], 0],
    [
      'several',
      [
        { from: 0, to: hour },
        { from: 5 * hour, to: 7 * hour },
      ],
      3,
    ],
  ])('%s', (_, downs, hours) => {
    const now = downs.some((d) => d.to === null) ? 22 * hour : 500 * hour
    expect(hoursDown(downs, 0, 24 * hour, now)).toBe(hours)
  })
})

describe('warranty', () => {
  const until = (day: string) => ({ until: day, company: 'Ferrule', phone: '' })
  it('holds to its last day, and is unknown where nobody entered one', () => {
    expect(warrantyOn(until('2026-12-02'), '2026-12-02')).toBe('in')
    expect(warrantyOn(until('2026-12-01'), '2026-12-02')).toBe('ended')
    expect(warrantyOn(undefined, '2026-12-02')).toBe('unknown')
  })
})
