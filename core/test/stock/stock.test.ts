import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { productFold, spareFold } from '../../house/index.ts'
import { subjectsOf } from '../../record/index.ts'
import {
  daysLeft,
  forecastOf,
  keepsDaysOf,
  lotsLeft,
  openOrders,
  orderOf,
  outlookOf,
  stockFold,
  stockTold,
  type StockItem,
  type StockState,
} from '../../stock/index.ts'
import { recordOf } from '../records.ts'
import { median, yearOf } from './year.ts'

const dayMs = 86_400_000
const start = Date.UTC(2026, 0, 5)
const item: StockItem = {
  ...{ name: 'Detergent', of: { kind: 'product', id: 'kelpwash' }, unit: 'mL', pack: 5000, leadDays: 5 },
  ...{ supplier: 'Harbour Supplies', price: null, keepsDays: null, perRun: [], place: 'Dry store' },
}
const bare: StockState = { id: 'i', item, counts: [], came: [], orders: [], lost: [] }
const by = { by: 'bao' }
const count = (day: number, amount: number) => ({ at: start + day * dayMs, amount, ...by })
const came = (day: number, amount: number, bestBefore: string | null = null) => ({
  ...{ at: start + day * dayMs, amount, lot: `L${day}`, bestBefore, label: null },
  ...by,
})
/** So much a day, at noon, of every day from the first. */
const steady = (days: number, amount: number) =>
  Array.from({ length: days }, (_, i) => ({ at: start + (i + 0.5) * dayMs, amount }))
const after = (state: StockState, days: number, amount: number) =>
  outlookOf(state, steady(days, amount), start, start + days * dayMs, start + days * dayMs)
const known = (state: StockState, days = 56, amount = 100) => {
  const outlook = after(state, days, amount)
  if (typeof outlook === 'string') throw new Error(outlook)
  return outlook
}

describe('something in stock', () => {
  const to = { kind: 'stock', id: 'i' } as const
  it('is folded from what was entered, counted, came, was ordered and lost', () => {
    const records = [
      recordOf(1, 'stock.set@1', to, item),
      recordOf(2, 'stock.counted@1', to, { amount: 4000, of: item.of }),
      recordOf(3, 'stock.ordered@1', to, { amount: 5000, expected: '2026-01-10' }),
      recordOf(4, 'stock.came@1', to, {
        amount: 5000,
        of: item.of,
        lot: 'A1',
        bestBefore: null,
        label: 'same',
      }),
      recordOf(5, 'stock.lost@1', to, { amount: 300, of: item.of, why: 'spilled' }),
    ]
    const state = records.reduce((s, r) => stockFold.apply(s, r), stockFold.initial('i'))
    expect(state.item).toEqual(item)
    expect(state.counts).toMatchObject([{ amount: 4000, at: 120_000, by: 'bao' }])
    expect(state.came).toMatchObject([{ lot: 'A1', label: 'same' }])
    expect(state.lost).toMatchObject([{ amount: 300, why: 'spilled' }])
    expect(openOrders(state)).toEqual([])
  })
  it('that is a spare is counted on its shelf with it', () => {
    const of = { kind: 'spare', id: 's' } as const
    const spare = { kind: 'spare', id: 's' } as const
    const records = [
      recordOf(1, 'stock.counted@1', spare, { amount: 6, of }),
      recordOf(2, 'stock.came@1', spare, { amount: 4, of, lot: '', bestBefore: null, label: null }),
      recordOf(3, 'spare.drawn@1', spare, { spare: 's', station: 'x', count: 1 }),
      recordOf(4, 'stock.lost@1', spare, { amount: 2, of, why: 'crushed' }),
    ]
    expect(records.reduce((s, r) => spareFold.apply(s, r), spareFold.initial('s')).count).toBe(7)
  })
  it('with another label says so at its product, until a label is entered or the same one comes', () => {
    const at = { kind: 'product', id: 'kelpwash' } as const
    const label = (n: number, told: 'same' | 'other') =>
      recordOf(n, 'stock.came@1', at, { amount: 1, of: item.of, lot: 'B7', bestBefore: null, label: told })
    const after_ = (...records: Parameters<typeof productFold.apply>[1][]) =>
      records.reduce((s, r) => productFold.apply(s, r), productFold.initial('kelpwash')).otherLabel
    expect(after_(label(1, 'other'))).toEqual({ at: 60_000, lot: 'B7' })
    expect(after_(label(1, 'other'), label(2, 'same'))).toBeUndefined()
    const entered = recordOf(2, 'product.set@1', at, { name: 'Kelpwash' } as never)
    expect(after_(label(1, 'other'), entered)).toBeUndefined()
    expect(subjectsOf(label(1, 'other'))).toContainEqual(at)
  })
  it('is on its way until as much came, the oldest order first', () => {
    const orders = [1, 3].map((day) => ({ at: start + day * dayMs, amount: 5000, expected: '', ...by }))
    expect(openOrders({ orders, came: [came(2, 2000)] }).map((o) => o.amount)).toEqual([3000, 5000])
    expect(openOrders({ orders, came: [came(4, 7000)] }).map((o) => o.amount)).toEqual([3000])
    expect(openOrders({ orders, came: [came(0, 9000)] }).map((o) => o.amount)).toEqual([5000, 5000])
  })
})

describe('nothing is told', () => {
  it('of what nobody has counted', () => {
    expect(after(bare, 56, 100)).toBe('not-counted')
  })
  it('of what the log knows less than a week, or no use at all', () => {
    expect(after({ ...bare, counts: [count(1, 9000)] }, 6, 100)).toBe('too-new')
    expect(after({ ...bare, counts: [count(1, 9000)] }, 56, 0)).toBe('too-new')
  })
  it('and says which, of one that stands so', () => {
    expect(stockTold(bare, [], start, start, start)).toEqual({ id: 'i', untold: 'not-counted' })
  })
})

describe('what is there', () => {
  it('is what was counted, with what came, less what was lost and what the log used since', () => {
    const state = {
      ...bare,
      counts: [count(50, 3000)],
      came: [came(49, 9), came(52, 5000)],
      lost: [{ ...count(53, 200), why: 'spilled' }],
    }
    expect(known(state).amount).toBeCloseTo(3000 + 5000 - 200 - 6 * 100)
  })
  it('is never less than nothing, and the doubt of it grows from count to count', () => {
    expect(known({ ...bare, counts: [count(1, 300)] }).amount).toBe(0)
    const counts = [count(0, 9000), count(14, 7000), count(28, 6000), count(42, 4300)]
    const [just, later] = [
      { ...bare, counts },
      { ...bare, counts: counts.slice(0, -1) },
    ]
    expect(known(later).doubt).toBeGreaterThan(known(just).doubt)
  })
  it('learns by counts what nobody writes down', () => {
    // A tenth more goes than the log knows: 110 a day.
    const counts = [0, 14, 28, 42].map((day) => count(day, 9000 - 110 * day))
    const { loss, amount } = known({ ...bare, counts })
    expect(loss.perDay).toBeGreaterThan(6)
    expect(loss.perDay).toBeLessThan(10)
    expect(amount).toBeLessThan(9000 - 110 * 42 - 100 * 14)
  })
  it('is told by counts alone where the log knows of no use', () => {
    const counts = [0, 14, 28].map((day) => count(day, 1000 - 20 * day))
    const outlook = known({ ...bare, counts }, 35, 0)
    expect(outlook.loss.perDay).toBeCloseTo(20)
    expect(daysLeft(outlook).expected).toBe(Math.ceil((440 - 20 * 7) / 20) - 1)
  })
  it('is by lots what came last: the earliest date is used first', () => {
    const lots = [came(1, 5000, '2026-06-01'), came(9, 5000, '2026-04-01'), came(20, 5000, '2026-08-01')]
    expect(lotsLeft(lots, 7000)).toEqual([
      { lot: 'L1', bestBefore: '2026-06-01', amount: 2000 },
      { lot: 'L20', bestBefore: '2026-08-01', amount: 5000 },
    ])
  })
})

describe('how long it lasts', () => {
  it('is what steady use makes of it, and lies between its least and its most', () => {
    const { least, expected, most } = daysLeft(known({ ...bare, counts: [count(56, 2050)] }))
    expect(expected).toBe(20)
    expect(least).toBeLessThan(20)
    expect(most).toBeGreaterThan(20)
  })
  it('grows with what is there', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 9000 }), fc.integer({ min: 0, max: 9000 }), (a, b) => {
        const [less, more] = [Math.min(a, b), Math.max(a, b)].map(
          (amount) => daysLeft(known({ ...bare, counts: [count(56, amount)] })).expected ?? 999,
        )
        expect(more).toBeGreaterThanOrEqual(less ?? 0)
      }),
      { numRuns: 40 },
    )
  })
  it('knows that Saturdays use more', () => {
    const weekly = Array.from({ length: 70 }, (_, i) => (i % 7 === 5 ? 400 : 100))
    const { weekday, level } = forecastOf(weekly) ?? { weekday: [], level: 0 }
    expect(level).toBeGreaterThan(130)
    expect(level).toBeLessThan(155)
    expect(weekday[5]).toBeGreaterThan(2)
    expect(weekday.reduce((a, b) => a + b, 0)).toBeCloseTo(7)
  })
  it('is not told by less than a week', () => {
    expect(forecastOf([1, 2, 3, 4, 5, 6])).toBeNull()
  })
})

describe('an order', () => {
  it('is due before what is there and on its way may be used up, by the time it takes to come', () => {
    const outlook = known({ ...bare, counts: [count(56, 2000)] })
    const { inDays } = orderOf(item, outlook, null)
    expect(inDays).toBeLessThan((daysLeft(outlook).least ?? 0) - item.leadDays + 1)
    const slower = orderOf({ ...item, leadDays: 9 }, outlook, null).inDays
    expect(slower).toBe((inDays ?? 0) - 4)
  })
  it('waits for what is ordered already', () => {
    const orders = [{ at: start + 55 * dayMs, amount: 5000, expected: '', ...by }]
    const [with_, without] = [orders, []].map(
      (o) => orderOf(item, known({ ...bare, counts: [count(56, 500)], orders: o }), null).inDays ?? 0,
    )
    expect(without).toBeLessThan(0)
    expect(with_).toBeGreaterThan(20)
  })
  it('is of no more than is used up before its date, and of nothing where one pack is too much', () => {
    const outlook = known({ ...bare, counts: [count(56, 500)] })
    expect(orderOf(item, outlook, null).packs).toBe(1)
    expect(orderOf({ ...item, pack: 200 }, outlook, null).packs).toBe(5)
    expect(orderOf({ ...item, pack: 200 }, outlook, 12)).toMatchObject({ packs: 2, heldBy: 'best-before' })
    expect(orderOf(item, outlook, 20)).toMatchObject({ packs: 0, heldBy: 'best-before' })
  })
  it('goes by how long the last deliveries kept', () => {
    expect(keepsDaysOf({ item: { ...item, keepsDays: 90 }, came: [] })).toBe(90)
    expect(keepsDaysOf({ item, came: [came(0, 1, '2026-03-06'), came(0, 1, '2026-02-04')] })).toBe(30)
  })
})

/**
 * Made-up years: two fifths more in summer, weekdays, three weeks of promotion, a spill a month that nobody writes down, counts by eye
 * that are off by a twentieth. The peer is the plain average of all days before.
 */
describe('over a generated year', () => {
  const seeds =
    process.env['TADKA_LONG'] === undefined ? [1, 2, 3, 4, 5, 6] : Array.from({ length: 60 }, (_, i) => i + 1)
  it.each([
    { leadDays: 3, keepsDays: null, pack: 1000, noise: 0.25 },
    { leadDays: 7, keepsDays: null, pack: 5000, noise: 0.25 },
    { leadDays: 14, keepsDays: null, pack: 2000, noise: 0.4 },
    { leadDays: 5, keepsDays: 45, pack: 2000, noise: 0.3 },
  ])(
    '%o: orders are not late, little lies there, nothing passes its date, and the forecast is nearer',
    (made) => {
      const years = seeds.map((seed) => yearOf(seed, made))
      const weeks = years.reduce((a, y) => a + y.weeks, 0)
      expect(years.reduce((a, y) => a + y.lateWeeks, 0) / weeks).toBeLessThan(0.02)
      for (const { meanDays } of years) expect(meanDays).toBeLessThanOrEqual(made.leadDays + 14)
      expect(years.map((y) => y.pastDays)).toEqual(years.map(() => 0))
      const errors = years.flatMap((y) => y.errors)
      const ratio = median(errors.map((e) => e.forecast)) / median(errors.map((e) => e.plain))
      expect(ratio).toBeLessThanOrEqual(0.9)
    },
  )
})
