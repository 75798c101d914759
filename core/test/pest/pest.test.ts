import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  likelyPlaces,
  pestFold,
  pests,
  pestTrend,
  trapFold,
  type PestState,
  type TrapState,
} from '../../pest/index.ts'
import { visitFold, visitsAhead, type VisitSet } from '../../visit/index.ts'
import { recordOf } from '../records.ts'

const weekMs = 7 * 24 * 3_600_000
const now = Date.UTC(2026, 10, 26)
const seen = (area: string, weeksAgo: number): PestState => ({
  id: `${area}${weeksAgo}`,
  seen: { pest: 'fly', sign: 'live', area, said: '', photo: null, at: now - weeksAgo * weekMs, by: 'bao' },
  caused: null,
  settled: null,
})
const trap = (area: string, ...looks: readonly (readonly [number, number])[]): TrapState => ({
  id: 't',
  trap: { number: '1', kind: 'light-trap', area, cell: 4, enclosed: false },
  looks: looks.map(([weeksAgo, caught]) => ({
    ...{ caught, sound: true, said: '', at: now - weeksAgo * weekMs, by: 'bao' },
  })),
})

describe('what was seen of a pest', () => {
  const to = { kind: 'pest', id: 'p' } as const
  it('is kept with its cause, and settled by who says so first', () => {
    const records = [
      recordOf(1, 'pest.seen@1', to, {
        pest: null,
        sign: 'droppings',
        area: 'Yard',
        said: 'by the bins',
        photo: null,
      }),
      recordOf(2, 'pest.caused@1', to, { cause: 'way-in', said: 'gap under the door' }),
      recordOf(3, 'pest.settled@1', to, { said: 'gap closed, nothing for a week' }),
      { ...recordOf(4, 'pest.settled@1', to, { said: 'again' }), by: 'ines' },
    ]
    const state = records.reduce((s, r) => pestFold.apply(s, r), pestFold.initial('p'))
    expect(state).toMatchObject({
      seen: { area: 'Yard', by: 'bao' },
      caused: { cause: 'way-in' },
      settled: { said: 'gap closed, nothing for a week', by: 'bao' },
    })
  })
  it('names places to look at for each, and for what nobody can tell', () => {
    for (const pest of [...pests, null]) expect(likelyPlaces(pest).length).toBeGreaterThan(2)
  })
})

describe('a device', () => {
  it('is where it was set last, with what was found in it', () => {
    const to = { kind: 'trap', id: 't' } as const
    const set = { number: '7', kind: 'snap-trap', area: 'Yard', cell: 0, enclosed: false } as const
    const records = [
      recordOf(1, 'trap.set@1', to, set),
      recordOf(2, 'trap.looked@1', to, { caught: 1, sound: true, said: '' }),
      recordOf(3, 'trap.set@1', to, { ...set, cell: 8 }),
    ]
    const state = records.reduce((s, r) => trapFold.apply(s, r), trapFold.initial('t'))
    expect(state).toMatchObject({ trap: { cell: 8 }, looks: [{ caught: 1, by: 'bao' }] })
  })
})

describe('the trend by area', () => {
  const of = (seen_: readonly PestState[], traps: readonly TrapState[]) =>
    pestTrend(seen_, traps, ['Galley', 'Yard'], 4, now)
  it('counts what was seen and caught in its week, and areas with nothing as nothing', () => {
    const [, galley, yard] = of(
      [seen('Yard', 0), seen('Yard', 2.5), seen('Bar', 3.9), seen('Yard', 5)],
      [trap('Yard', [1.2, 6], [0.1, 2])],
    )
    expect(galley).toEqual({ area: 'Galley', weeks: Array(4).fill({ seen: 0, caught: 0 }), goes: 'nothing' })
    expect(yard?.weeks).toEqual([
      { seen: 0, caught: 0 },
      { seen: 1, caught: 0 },
      { seen: 0, caught: 6 },
      { seen: 1, caught: 2 },
    ])
    expect(yard?.goes).toBe('up')
  })
  it.each([
    [[3, 2.5], [0.5], 'down'],
    [[2.5], [0.5], 'level'],
    [[], [0.5], 'up'],
  ] as const)('of %s weeks ago and %s it goes %s', (before, after, goes) => {
    const all = [seen('Bar', 3.9), ...[...before, ...after].map((w) => seen('Yard', w))]
    expect(of(all, []).find((a) => a.area === 'Yard')?.goes).toBe(goes)
  })
  it('is not told where nobody looked before', () => {
    expect(of([seen('Yard', 0.5)], []).find((a) => a.area === 'Yard')?.goes).toBe('too-early')
  })
  it('loses and invents nothing within its weeks', () => {
    const spot = fc.record({
      area: fc.constantFrom('Galley', 'Yard', 'Bar'),
      ago: fc.double({ min: 0, max: 6, noNaN: true }),
    })
    fc.assert(
      fc.property(fc.array(spot, { maxLength: 30 }), (spots) => {
        const told = of(
          spots.map((s) => seen(s.area, s.ago)),
          [],
        )
        const sum = told.flatMap((a) => a.weeks).reduce((a, w) => a + w.seen, 0)
        expect(sum).toBe(spots.filter((s) => s.ago < 4).length)
      }),
    )
  })
})

describe('a visit', () => {
  const to = { kind: 'visit', id: 'v' } as const
  const set: VisitSet = { kind: 'pest', company: 'Harbour Pest', day: '2026-12-04', station: null, note: '' }
  const done = { who: 'A. Ray', licence: 'P-12', found: '', did: 'looked at all', products: [], report: null }
  const after = (...records: Parameters<typeof visitFold.apply>[1][]) => [
    records.reduce((s, r) => visitFold.apply(s, r), visitFold.initial('v')),
  ]
  it.each([
    ['2026-12-03', ['ahead']],
    ['2026-12-04', ['today']],
    ['2026-12-05', ['late']],
  ])('stands ahead until somebody came: on %s', (day, is) => {
    const planned = after(recordOf(1, 'visit.set@1', to, set))
    expect(visitsAhead(planned, day).map((v) => v.is)).toEqual(is)
    expect(
      visitsAhead(after(recordOf(1, 'visit.set@1', to, set), recordOf(2, 'visit.done@1', to, done)), day),
    ).toEqual([])
    expect(visitsAhead(after(recordOf(1, 'visit.set@1', to, { ...set, ended: true })), day)).toEqual([])
  })
})
