import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { dateAfter } from '../../calendar/index.ts'
import {
  foodFold,
  foodStands,
  isFollowed,
  isOpenedDay,
  openedUntil,
  received,
  type FoodReading,
  type FoodReceived,
} from '../../food/index.ts'
import type { AnyRecord } from '../../stream/index.ts'
import { recordOf } from '../records.ts'

const exactly = (value: number, unit: '°C' | '°F' = '°C'): FoodReading => ({
  ...{ unit, value },
  interval: { lo: value, hi: value },
})
const blunt = (value: number): FoodReading => ({
  ...exactly(value),
  interval: { lo: value - 1, hi: value + 1 },
})
const whole = { whole: true, read: null } as const

describe('a delivery (FDA Food Code 2022, 3-202.11, 3-202.15, 3-501.14(C))', () => {
  it.each([
    ['cold food at 5 °C', { kind: 'cold', read: exactly(5) }, { is: 'take' }],
    ['cold food at 41 °F', { kind: 'cold', read: exactly(41, '°F') }, { is: 'take' }],
    ['cold food at 6 °C', { kind: 'cold', read: exactly(6) }, { is: 'refuse', why: 'warm' }],
    ['cold food that nobody read', { kind: 'cold' }, { is: 'read-first' }],
    ['read on a thermometer that nobody checked', { kind: 'cold', read: blunt(4.5) }, { is: 'read-again' }],
    [
      'read on one that failed',
      { kind: 'cold', read: { ...exactly(4), interval: { lo: null, hi: null } } },
      { is: 'read-again' },
    ],
    [
      'milk at 7 °C where no law allows it',
      { kind: 'milk', read: exactly(7) },
      { is: 'refuse', why: 'warm' },
    ],
    [
      'milk at 7 °C where the law allows it',
      { kind: 'milk', read: exactly(7), milkAt7: true },
      { is: 'cool', hours: 4 },
    ],
    [
      'milk at 45 °F where the law allows it',
      { kind: 'milk', read: exactly(45, '°F'), milkAt7: true },
      { is: 'cool', hours: 4 },
    ],
    [
      'milk at 46 °F',
      { kind: 'milk', read: exactly(46, '°F'), milkAt7: true },
      { is: 'refuse', why: 'warm' },
    ],
    ['milk at 4 °C', { kind: 'milk', read: exactly(4), milkAt7: true }, { is: 'take' }],
    [
      'cold food at 7 °C beside milk’s law',
      { kind: 'cold', read: exactly(7), milkAt7: true },
      { is: 'refuse', why: 'warm' },
    ],
    ['frozen hard', { kind: 'frozen', hard: true }, { is: 'take' }],
    ['frozen once, soft now', { kind: 'frozen', hard: false }, { is: 'refuse', why: 'thawed' }],
    ['frozen, and nobody felt it', { kind: 'frozen' }, { is: 'look-first' }],
    ['dry goods', { kind: 'dry' }, { is: 'take' }],
    ['a torn bag', { kind: 'dry', whole: false }, { is: 'refuse', why: 'damaged' }],
    ['cold, and nobody looked', { kind: 'cold', read: exactly(4), whole: null }, { is: 'look-first' }],
  ] as const)('%s', (_, food, is) => {
    expect(received({ ...whole, ...food })).toEqual(is)
  })
  it('is never taken warmer than its limit, however it is asked', () => {
    const any = fc.record({
      kind: fc.constantFrom('cold', 'milk'),
      value: fc.double({ min: -5, max: 30, noNaN: true }),
      law: fc.boolean(),
    })
    fc.assert(
      fc.property(any, ({ kind, value, law }) => {
        const { is } = received({
          ...whole,
          kind,
          read: exactly(value),
          ...(law ? { milkAt7: true as const } : {}),
        })
        const most = kind === 'milk' && law ? 7 : 5
        expect(is === 'take' || is === 'cool').toBe(value <= most)
        if (is === 'take') expect(value).toBeLessThanOrEqual(5)
      }),
    )
  })
})

describe('the last day of what is opened (FDA Food Code 2022, 3-501.17)', () => {
  it('is the seventh, the first day counted', () => {
    expect(openedUntil('2026-12-01', [], null)).toEqual({ since: '2026-12-01', useBy: '2026-12-07' })
  })
  it('of a mixed batch is the oldest’s, and never past the maker’s date', () => {
    const older = openedUntil('2026-11-28', [], null)
    expect(openedUntil('2026-12-01', [older], null)).toEqual({ since: '2026-11-28', useBy: '2026-12-04' })
    expect(openedUntil('2026-12-01', [older], '2026-12-02').useBy).toBe('2026-12-02')
  })
  it('can be none that is later or before it was opened', () => {
    fc.assert(
      fc.property(fc.integer({ min: -10, max: 20 }), (days) => {
        const since = '2026-12-01'
        expect(isOpenedDay({ since, useBy: dateAfter(since, days) })).toBe(days >= 0 && days <= 6)
      }),
    )
  })
})

describe('food from when it comes until it is gone', () => {
  const of = { kind: 'food', id: 'f' } as const
  const hour = 60
  const minutes = (n: number) => n * 60_000
  const came = (value: number, more: Partial<FoodReceived> = {}): FoodReceived => ({
    ...{ name: 'Milk', supplier: 'Dairy', kind: 'milk', read: exactly(value), on: null, whole: true },
    ...{ milkAt7: true, took: true, note: '' },
    ...more,
  })
  const folded = (...records: AnyRecord[]) =>
    records.reduce((s, r) => foodFold.apply(s, r), foodFold.initial('f'))
  const receivedAt = (at: number, food: FoodReceived) => recordOf(at, 'food.received@1', of, food)
  const readAt = (at: number, value: number) =>
    recordOf(at, 'food.read@1', of, { read: exactly(value), on: null })
  const stands = (now: number, ...records: AnyRecord[]) =>
    foodStands(folded(...records), '2026-12-01', minutes(now))

  it('milk that came at 7 °C is thrown out where it was not read at 5 °C within four hours', () => {
    const milk = receivedAt(0, came(7))
    expect(stands(hour, milk)).toEqual({ is: 'cool', by: minutes(4 * hour) })
    expect(stands(5 * hour, milk)).toEqual({ is: 'throw-out', why: 'not-cooled' })
    expect(stands(5 * hour, milk, readAt(3 * hour, 6))).toEqual({ is: 'throw-out', why: 'not-cooled' })
    expect(stands(5 * hour, milk, readAt(3 * hour, 5))).toEqual({ is: 'stored' })
    expect(stands(6 * hour, milk, readAt(5 * hour, 4))).toEqual({ is: 'throw-out', why: 'not-cooled' })
    expect(isFollowed(folded(milk))).toBe(true)
  })
  it('what went back is not there, what is gone stays gone', () => {
    expect(stands(1, receivedAt(0, came(9, { took: false })))).toEqual({ is: 'gone' })
    const opened = recordOf(1, 'food.opened@1', of, {
      name: 'Milk',
      since: '2026-12-01',
      useBy: '2026-12-07',
    })
    const gone = recordOf(2, 'food.gone@1', of, { how: 'used' })
    expect(stands(3, opened, gone)).toEqual({ is: 'gone' })
    expect(isFollowed(folded(opened, gone))).toBe(false)
  })
  it.each([
    ['2026-12-06', { is: 'use', useBy: '2026-12-07' }],
    ['2026-12-07', { is: 'today', useBy: '2026-12-07' }],
    ['2026-12-08', { is: 'throw-out', why: 'late' }],
  ])('opened on the first, on %s', (today, is) => {
    const opened = recordOf(1, 'food.opened@1', of, {
      name: 'Milk',
      since: '2026-12-01',
      useBy: '2026-12-07',
    })
    expect(foodStands(folded(opened), today, 2)).toEqual(is)
  })
})
