import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { coldDue, coldReading, coldStands, coldUnread, type ColdKept } from '../../cold/index.ts'
import { caseFold, type CaseAct } from '../../case/index.ts'
import { folds } from '../../record/index.ts'
import type { ReadingTaken } from '../../reading/index.ts'
import type { Verdict } from '../../rules/index.ts'
import { recordOf } from '../records.ts'

const [minute, hour] = [60_000, 3_600_000]
const read = (hours: number, value: number, verdict: Verdict = value <= 5 ? 'in' : 'out') => ({
  ...{ at: hours * hour, by: 'bao', record: `r${hours}`, verdict },
  read: { value, unit: '°C' as const },
})
const after = (...reads: ReturnType<typeof read>[]) =>
  reads.reduce<ColdKept | undefined>((kept, one) => coldReading(kept, one), undefined)

describe('where food is kept cold (FDA Food Code 2022, 3-501.16(A)(2), 3-501.19, 3-701.11)', () => {
  it.each([
    ['never read', [], 10, null, { is: 'not-read' }],
    ['read cold', [read(8, 4)], 10, null, { is: 'cold', was: null }],
    [
      'cold again after three hours: somebody decides',
      [read(5, 4), read(7, 9), read(8, 4)],
      20,
      null,
      { is: 'cold', was: { is: 'ask', why: 'no-procedure' } },
    ],
    [
      'cold again after four: it is thrown out all the same',
      [read(5, 4), read(7, 9), read(9, 4)],
      9,
      null,
      { is: 'cold', was: { is: 'discard', why: 'too-long' } },
    ],
    [
      'warmer than 21 °C once, cooler when it was read last',
      [read(5, 4), read(6, 22), read(7, 9)],
      7,
      6,
      { is: 'warm', since: 5 * hour, outcome: { is: 'discard', why: 'too-warm' } },
    ],
    [
      'by time alone it is served by then though it is cold again',
      [read(5, 4), read(7, 9), read(8, 4)],
      8,
      4,
      { is: 'cold', was: { is: 'use-by', by: 9 * hour } },
    ],
    [
      'read on a thermometer that nobody checked, astride the limit',
      [read(8, 5, 'too-close')],
      8,
      null,
      { is: 'read-again' },
    ],
    ['nothing told by a thermometer that failed', [read(8, 5, 'cannot-tell')], 8, null, { is: 'read-again' }],
    [
      'warm, never read cold: nobody knows since when',
      [read(8, 9)],
      8,
      4,
      { is: 'warm', since: null, outcome: { is: 'discard', why: 'time-unknown' } },
    ],
    [
      'warm three hours after it was cold, no written procedure',
      [read(5, 4), read(8, 9)],
      8,
      null,
      { is: 'warm', since: 5 * hour, outcome: { is: 'ask', why: 'no-procedure' } },
    ],
    [
      'the same by a written procedure of four hours: one is left',
      [read(5, 4), read(8, 9)],
      8,
      4,
      { is: 'warm', since: 5 * hour, outcome: { is: 'use-by', by: 9 * hour } },
    ],
    [
      'the same, looked at two hours later',
      [read(5, 4), read(8, 9)],
      10,
      4,
      { is: 'warm', since: 5 * hour, outcome: { is: 'discard', why: 'too-long' } },
    ],
    [
      'warm twice: it runs from when it was cold last, not from when it was found',
      [read(5, 4), read(6, 9), read(8, 8)],
      8,
      4,
      { is: 'warm', since: 5 * hour, outcome: { is: 'use-by', by: 9 * hour } },
    ],
  ] as const)('%s', (_, reads, now, written, stands) => {
    expect(coldStands(after(...reads), now * hour, written)).toEqual(stands)
  })
  it('never says less time than since it was read cold, in any order of readings', () => {
    const reads = fc.array(fc.tuple(fc.integer({ min: 0, max: 20 }), fc.integer({ min: 0, max: 12 })), {
      maxLength: 8,
    })
    fc.assert(
      fc.property(reads, (all) => {
        const kept = after(...all.toSorted(([a], [b]) => a - b).map(([h, v]) => read(h, v)))
        const stands = coldStands(kept, 20 * hour, 6)
        if (stands.is !== 'warm') return
        const cold = all.filter(([, v]) => v <= 5).map(([h]) => h * hour)
        expect(stands.since).toBe(cold.length > 0 ? Math.max(...cold) : null)
        if (stands.outcome.is === 'use-by')
          expect(stands.outcome.by).toBeLessThanOrEqual((stands.since ?? 0) + 6 * hour)
      }),
    )
  })
})

describe('when it is read', () => {
  const day = { opens: 6 * hour, closes: 22 * hour }
  const due = (last: ReturnType<typeof read> | null, now: number) => coldDue(last, day, now * hour)
  it.each([
    ['not in the night', null, 3, null],
    ['at opening', null, 6, { at: 6 * hour, is: 'now' }],
    ['late half an hour after', read(-3, 4), 6.75, { at: 6 * hour, is: 'late' }],
    ['never read, it is read now, and nobody is late', null, 14, { at: 14 * hour, is: 'now' }],
    ['yesterday’s reading is not today’s', read(-3, 4), 6, { at: 6 * hour, is: 'now' }],
    ['one just before the opening is', read(5, 4), 6, { at: 8.5 * hour, is: 'ahead' }],
    ['again before four hours are over', read(6, 4), 9.5, { at: 9.5 * hour, is: 'now' }],
    ['not once more where it would fall after the close', read(19, 4), 20, null],
    ['what was warm half an hour later', read(10, 9), 10.25, { at: 10.5 * hour, is: 'ahead' }],
    ['what nobody could tell, too', read(10, 5, 'too-close'), 11.5, { at: 10.5 * hour, is: 'late' }],
  ] as const)('%s', (_, last, now, is) => {
    expect(due(last, now)).toEqual(is)
  })
  it('comes at least twice in any eight hours of trading, and less than four hours apart', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 60 }), (late) => {
        let at = day.opens
        const reads: number[] = []
        for (;;) {
          const next = coldDue({ at, verdict: 'in' }, day, at)
          if (!next) break
          at = next.at + (late % 30) * minute
          reads.push(at)
        }
        const all = [day.opens, ...reads]
        expect(all.slice(1).every((t, i) => t - (all[i] ?? 0) <= 4 * hour)).toBe(true)
        expect(all.length).toBeGreaterThanOrEqual(4)
      }),
    )
  })
})

describe('what of a day went unread', () => {
  const day = { opens: 6 * hour, closes: 22 * hour }
  const unread = (reads: number[], now = 30, since = 0) =>
    coldUnread(
      reads.map((h) => h * hour),
      day,
      since * hour,
      now * hour,
    ).map((g) => [g.from / hour, g.to / hour])
  it.each([
    ['nothing, read every three and a half hours', [6, 9.5, 13, 16.5, 20], 30, 0, []],
    ['nothing, read before the opening', [5, 8.5, 12, 15.5, 19], 30, 0, []],
    ['all day', [], 30, 0, [[6, 22]]],
    ['so far', [], 10, 0, [[6, 10]]],
    ['nothing before the opening', [], 5, 0, []],
    ['the opening', [8, 11.5, 15, 18.5], 30, 0, [[6, 8]]],
    ['the noon', [6, 13, 16.5, 20], 30, 0, [[6, 13]]],
    ['the evening', [6, 9.5, 13, 16.5], 30, 0, [[16.5, 22]]],
    ['nothing: the last would fall after the close', [6, 9.5, 13, 16.5, 18.5], 30, 0, []],
    ['nothing that is still to come', [6, 9.5], 13, 0, []],
    ['nothing before it stood here', [15, 18.5], 30, 14.75, []],
    ['nothing of the night', [1, 6, 9.5, 13, 16.5, 20, 23], 30, 0, []],
  ] as const)('%s', (_, reads, now, since, gaps) => {
    expect(unread([...reads], now, since)).toEqual(gaps)
  })
  it('is nothing for who reads whenever it is due, and something for who leaves one out', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 29 }), { minLength: 6, maxLength: 6 }), (late) => {
        const reads: number[] = []
        for (const minutes of late) {
          const last = reads.at(-1)
          const next = coldDue({ at: last ?? -10 * hour, verdict: 'in' }, day, last ?? day.opens)
          if (!next) break
          reads.push(next.at + minutes * minute)
        }
        expect(coldUnread(reads, day, 0, day.closes)).toEqual([])
        for (const left of reads) {
          const gaps = coldUnread(
            reads.filter((at) => at !== left),
            day,
            0,
            day.closes,
          )
          // The last may be one that was read a little before it would have been due.
          if (left !== reads.at(-1)) expect(gaps).toHaveLength(1)
        }
      }),
    )
  })
})

describe('the corrective action of a fridge', () => {
  const place = { station: 'fridge', run: null, step: null, bath: null }
  const payload = (value: number, of: string | null): ReadingTaken & { readonly what: 'cold-product' } =>
    ({
      ...place,
      ...{ case: of, what: 'cold-product', instruments: [] },
      reading: { unit: '°C', value, interval: { lo: value, hi: value }, store: true },
      judgement: {
        overall: value <= 5 ? 'in' : 'out',
        layers: [],
        missing: [],
        profile: { id: 'p', version: 1 },
      },
    }) as const
  const did = (act: CaseAct) =>
    ({
      case: 'warm',
      station: 'fridge',
      run: null,
      bath: null,
      did: act,
      amount: null,
      note: 'milk, 4 L',
    }) as const
  const of = { kind: 'case', id: 'warm' } as const
  const opened = caseFold.apply(caseFold.initial('warm'), {
    ...recordOf(1, 'reading.taken@1', { kind: 'station', id: 'fridge' }, payload(9, null)),
    id: 'warm',
  })
  const cold = {
    ...recordOf(2, 'reading.taken@1', { kind: 'station', id: 'fridge' }, payload(4, 'warm')),
    id: 'again',
  }

  it('is not closed by cold air: what stood warm is in there still', () => {
    expect(caseFold.apply(opened, cold)).toMatchObject({ status: 'open', coldAgain: { record: 'again' } })
  })
  it('closes by both, in either order', () => {
    const told = recordOf(3, 'case.action@1', of, did('discarded'))
    for (const both of [
      [cold, told],
      [told, cold],
    ])
      expect(both.reduce((s, r) => caseFold.apply(s, r), opened)).toMatchObject({
        status: 'closed',
        closedBy: 'again',
      })
  })
  it('is not closed by an act that says nothing of the food', () => {
    const act = recordOf(3, 'case.action@1', of, did('remixed'))
    expect([cold, act].reduce((s, r) => caseFold.apply(s, r), opened).status).toBe('open')
    const moved = recordOf(4, 'case.action@1', of, did('moved'))
    expect([cold, act, moved].reduce((s, r) => caseFold.apply(s, r), opened).status).toBe('closed')
  })
  it('a machine’s own product closes by its recheck, as before', () => {
    const { store: _, ...reading } = payload(4, 'warm').reading
    const again = {
      ...recordOf(
        2,
        'reading.taken@1',
        { kind: 'station', id: 'fridge' },
        { ...payload(4, 'warm'), reading },
      ),
      id: 'again',
    }
    expect(caseFold.apply(opened, again).status).toBe('closed')
  })
  it('the station remembers its readings', () => {
    const state = folds.station.apply(folds.station.initial('fridge'), { ...cold, id: 'again' })
    expect(state.cold).toMatchObject({ coldAt: cold.observedAt, last: { record: 'again', verdict: 'in' } })
  })
})
