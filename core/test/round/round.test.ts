import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { instantAt, type TradingDay } from '../../calendar/index.ts'
import { roundFlags } from '../../record/index.ts'
import {
  mayWalk,
  pestPoints,
  roundDue,
  roundFold,
  roundsLeft,
  sectionOf,
  unseenOf,
  usualPoints,
  type RoundSet,
  type RoundState,
  type WalkLooked,
} from '../../round/index.ts'
import type { AnyRecord } from '../../stream/index.ts'
import { recordOf } from '../records.ts'

const zone = 'Europe/Berlin'
/** A Thursday that closes after midnight. */
const day: TradingDay = {
  date: '2026-12-03',
  opens: instantAt('2026-12-03', '07:00', zone),
  closes: instantAt('2026-12-03', '24:30', zone),
}
const next = instantAt('2026-12-04', '04:00', zone)
const minuteOf = (time: string) => instantAt(day.date, time, zone) / 60_000
const to = { kind: 'round', id: 'evening' } as const
const own = (say: string) => ({ kind: 'own', say }) as const
const set = (over: Partial<RoundSet> = {}): RoundSet => ({
  ...{ name: 'Evening round', who: 'crew', days: [1, 2, 3, 4, 5, 6, 7], when: 'closing' },
  points: ['a', 'b', 'c', 'd', 'e'].map((id) => ({ id, area: 'Galley', ask: own(`look at ${id}`) })),
  ...over,
})
const made = (over: Partial<RoundSet> = {}) => recordOf(minuteOf('06:00'), 'round.set@1', to, set(over), 1)
const begun = (time: string, walk = 'w') => recordOf(minuteOf(time), 'walk.begun@1', to, { walk }, 2)
const looked = (at: number, point: string, over: Partial<WalkLooked> = {}) =>
  recordOf(at, 'walk.looked@1', to, {
    ...{ walk: 'w', point, area: 'Galley', ask: own(`look at ${point}`), fine: true, said: '', photo: null },
    ...{ reading: null },
    ...over,
  })
const ended = (at: number, left: string | null = null) =>
  recordOf(at, 'walk.ended@1', to, { walk: 'w', left }, 9)
const after = (...records: readonly AnyRecord[]): RoundState =>
  records.reduce((s, r) => roundFold.apply(s, r), roundFold.initial('evening'))
const points = ['a', 'b', 'c', 'd', 'e']
/** Walked whole, so many minutes from look to look. */
const walked = (time: string, each = 1) => {
  const from = minuteOf(time)
  const looks = points.map((p, i) => looked(from + (i + 1) * each, p))
  return [begun(time), ...looks, ended(from + points.length * each + 1)]
}
const left = (state: RoundState, now: string) =>
  roundsLeft([state], day, next, instantAt(day.date, now, zone)).map((l) => l.how)
const due = (state: RoundState, now: string) => roundDue(state, day, instantAt(day.date, now, zone))?.is

describe('what rounds usually look at', () => {
  it('names a section of the code, or is common practice and says so', () => {
    for (const what of usualPoints) expect(sectionOf(what) ?? '0-0').toMatch(/^\d-\d/)
    expect(pestPoints.every((p) => usualPoints.includes(p))).toBe(true)
  })
})

describe('a round', () => {
  it.each([
    ['20:00', 'ahead'],
    ['23:29', 'ahead'],
    ['23:30', 'now'],
    ['26:00', 'now'],
    ['26:01', 'late'],
  ])('of a close at 00:30 is at %s: %s', (now, is) => {
    expect(due(after(made()), now)).toBe(is)
  })
  it('is not asked for on other weekdays, without points, or once it is ended', () => {
    for (const over of [{ days: [1, 2] }, { points: [] }, { ended: true } as const])
      expect(roundDue(after(made(over)), day, day.closes)).toBeNull()
  })
  it('is walked once all of it was looked at, whatever was found', () => {
    const [first, ...rest] = walked('23:40')
    const wrong = rest.map((r, i) =>
      i === 2 ? { ...r, payload: { ...r.payload, fine: false, said: 'grease' } } : r,
    )
    const state = after(made(), ...(first ? [first] : []), ...(wrong as AnyRecord[]))
    expect(due(state, '24:00')).toBe('done')
    expect(state.walks[0]).toMatchObject({ asked: 5, unseen: 0, wrong: [{ said: 'grease' }] })
  })
  it('is walked by those whose it is, and those above them', () => {
    expect(['crew', 'lead', 'manager'].map((r) => mayWalk({ who: 'lead' }, r as 'crew'))).toEqual([
      false,
      true,
      true,
    ])
  })
})

describe('no round is walked', () => {
  it('by beginning it, nor by looking at all but one point', () => {
    const all = walked('23:40').slice(0, -2)
    expect(due(after(made(), ...all), '24:00')).toBe('now')
    const open = after(made(), ...all).open[0]
    expect(open && unseenOf(open).map((p) => p.id)).toEqual(['e'])
  })
  it('by ending it before all was looked at: it stays open, and is told as left half-way', () => {
    const state = after(
      made(),
      begun('23:40'),
      looked(minuteOf('23:41'), 'a'),
      ended(minuteOf('23:42'), 'a rush'),
    )
    expect(due(state, '24:00')).toBe('now')
    expect(left(state, '26:00')).toEqual([])
    expect(left(state, '28:00')).toEqual(['left-early'])
  })
  it('by the one of the evening before', () => {
    expect(due(after(made(), ...walked('02:00')), '24:00')).toBe('now')
  })
  it('by points that were told of no round, or of one that is over', () => {
    const state = after(made(), looked(minuteOf('23:41'), 'a'), ...walked('23:50'))
    expect(after(made(), looked(minuteOf('23:41'), 'a')).open).toEqual([])
    expect(roundFold.apply(state, begun('23:59')).open).toEqual([])
  })
  it('twice by one walk that two tablets begin', () => {
    expect(after(made(), begun('23:40'), begun('23:41')).open).toHaveLength(1)
  })
})

describe('of a day’s rounds is told', () => {
  it.each([
    ['nothing before its time is over', [], '26:00', []],
    ['that nobody walked it', [], '26:01', ['not-walked']],
    ['nothing where it was walked in time', walked('23:40'), '28:00', []],
    ['that it was walked late', walked('25:50', 5), '28:00', ['late']],
    ['that it was told faster than anybody can look', walked('23:40', 1 / 60), '28:00', ['hurried']],
  ] as const)('%s', (_, records, now, told) => {
    expect(left(after(made(), ...records), now)).toEqual(told)
  })
  it('nothing of a day that opened before it was made, or on which it was not asked for then', () => {
    const late = { ...made(), observedAt: day.opens + 60_000 } as AnyRecord
    expect(left(after(late), '28:00')).toEqual([])
    // Its days are changed the day after: the day before stays as it was.
    const change = { ...made({ days: [4] }), observedAt: next } as AnyRecord
    expect(left(after(made({ days: [1] }), change), '28:00')).toEqual([])
    expect(left(after(made(), { ...change, payload: set({ ended: true }) } as AnyRecord), '28:00')).toEqual([
      'not-walked',
    ])
  })
  it('as walked one that was begun before its time and ended in it', () => {
    const [begun_, ...looks] = walked('23:20', 3)
    expect(left(after(made(), ...(begun_ ? [begun_] : []), ...looks), '28:00')).toEqual([])
  })
  it('as hurried never one whose looks lie two seconds apart, always one whose do not', () => {
    fc.assert(
      fc.property(fc.integer({ min: 100, max: 8000 }), (apart) => {
        const told = left(after(made(), ...walked('23:40', apart / 60_000)), '28:00')
        // The times of records are whole milliseconds.
        if (apart < 1990) expect(told).toEqual(['hurried'])
        if (apart > 2010) expect(told).toEqual([])
      }),
    )
  })
})

describe('the server marks on a round', () => {
  const read = { ask: { kind: 'read', station: 'fridge' }, reading: 'r1' } as const
  const state = after(made(), begun('23:40'))
  const station =
    (at: string, verdict: 'in' | 'out', record = 'r1') =>
    () =>
      ({ lastRead: { record, at: instantAt(day.date, at, zone), verdict } }) as never
  const flagsOf = (record: AnyRecord, known: Partial<Parameters<typeof roundFlags>[1]>) =>
    roundFlags(record, { round: state, crew: null, station: () => null, ...known })
  it.each([
    ['nothing where that reading was taken on it', { station: station('23:45', 'in') }, []],
    ['a reading that the station knows nothing of', {}, ['reading-differs']],
    ['a reading of before the round', { station: station('23:30', 'in') }, ['reading-differs']],
    ['fine, where the reading was out', { station: station('23:45', 'out') }, ['reading-differs']],
    ['another reading than the last', { station: station('23:45', 'in', 'r2') }, ['reading-differs']],
  ] as const)('%s', (_, known, told) => {
    expect(flagsOf(looked(minuteOf('23:46'), 'a', read), known)).toEqual(told)
  })
  it('who begins one that is for those above them', () => {
    const crew = (role: string) => ({ id: 'bao', role }) as never
    const lead = after(made({ who: 'lead' }))
    expect(flagsOf(begun('23:40'), { round: lead, crew: crew('crew') })).toEqual(['not-theirs'])
    expect(flagsOf(begun('23:40'), { round: lead, crew: crew('manager') })).toEqual([])
  })
  it('one that is said to be over with points left out and no reason', () => {
    expect(flagsOf(ended(minuteOf('23:50')), {})).toEqual(['not-complete'])
    expect(flagsOf(ended(minuteOf('23:50'), 'a rush'), {})).toEqual([])
    expect(flagsOf(ended(minuteOf('23:50')), { round: after(made()) })).toEqual(['run-not-running'])
  })
})
