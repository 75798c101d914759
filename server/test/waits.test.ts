import { Refusal } from '@tadka/core/refusal'
import { describe, expect, it } from 'vitest'
import { Waits } from '../people/waits.ts'

/** The seconds that it asks to wait; 0 where the try is taken. */
function asked(waits: Waits, key: string, now: number): number {
  try {
    waits.take(key, now)
    return 0
  } catch (error) {
    if (error instanceof Refusal && error.code === 'too_often') return Number(error.details['seconds'])
    throw error
  }
}

describe('wrong passwords', () => {
  it('make their sender wait: three at once, then twice as long each time, never over 30 s', () => {
    const waits = new Waits()
    expect([1, 2, 3].map(() => asked(waits, 'a', 0))).toEqual([0, 0, 0])
    let now = 0
    for (const seconds of [2, 4, 8, 16, 30, 30]) {
      expect(asked(waits, 'a', now)).toBe(seconds)
      expect(asked(waits, 'a', now + seconds * 1000 - 1)).toBe(1)
      now += seconds * 1000
      expect(asked(waits, 'a', now)).toBe(0)
    }
  })
  it('of one address make no other wait, and the right one ends it', () => {
    const waits = new Waits()
    for (let i = 0; i < 3; i++) waits.take('a', 0)
    expect(asked(waits, 'b', 0)).toBe(0)
    waits.clear('a')
    expect(asked(waits, 'a', 0)).toBe(0)
  })
  it('are not remembered without end', () => {
    const waits = new Waits()
    for (let i = 0; i < 3; i++) waits.take('first', 0)
    for (let i = 0; i < 10_000; i++) waits.take(`${i}`, 0)
    expect(asked(waits, 'first', 0)).toBe(0)
  })
})
