import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { isNone, numberIn, parseField, readWithin } from '../src/pieces/field.ts'

describe('a typed number', () => {
  it.each<[string, number | null]>([
    ['2,5', 2.5],
    [' 2.5 ', 2.5],
    ['0', 0],
    ['', null],
    ['  ', null],
    ['-1', null],
    ['1e999', null],
    ['3 L', null],
    ['1,000.5', null],
  ])('"%s" is read as %s', (typed, value) => expect(numberIn(typed)).toBe(value))
  it('below zero is read where that can be', () => {
    expect(numberIn('-1,5', true)).toBe(-1.5)
    expect(parseField('0', { positive: true }).fault).toBe('fieldPositive')
  })
  it('nothing typed is no mistake, and words are', () => {
    expect([isNone(''), isNone('x'), isNone('-1'), isNone('-1', true)]).toEqual([false, true, true, false])
  })
  it('nothing is null and nonsense is NaN: what is not known and what is wrong are never one', () => {
    const bounds = { min: 1, max: 60, whole: true }
    expect(['', 'x', '0', '61', '2,5', '7'].map((typed) => readWithin(typed, bounds))).toEqual([
      null,
      NaN,
      NaN,
      NaN,
      NaN,
      7,
    ])
  })
  it('comma and point say the same', () => {
    fc.assert(
      fc.property(fc.nat(9999), fc.nat(999), (a, b) => {
        expect(numberIn(`${a},${b}`)).toBe(numberIn(`${a}.${b}`))
      }),
    )
  })
})
