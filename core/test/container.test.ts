import { describe, expect, it } from 'vitest'
import { containerOutlook } from '../solution/index.ts'

const day = 86_400_000

describe('what a container still holds', () => {
  it('is what it held less what its meter counted, and when it is empty at that pace', () => {
    // 4 L of 10 L in eight days: half a litre a day, twelve days more.
    expect(containerOutlook(10_000, { millilitres: 4000, from: 0, at: 8 * day })).toEqual({
      left: 6000,
      emptyAt: 20 * day,
    })
  })
  it('is never below nought, and foretells nothing from less than a day, or from nothing drawn', () => {
    expect(containerOutlook(1000, { millilitres: 1200, from: 0, at: 2 * day })?.left).toBe(0)
    expect(containerOutlook(1000, { millilitres: 100, from: 0, at: day / 2 })?.emptyAt).toBeNull()
    expect(containerOutlook(1000, { millilitres: 0, from: 0, at: 2 * day })?.emptyAt).toBeNull()
  })
  it('cannot be told without what it held, or without a meter', () => {
    expect(containerOutlook(undefined, { millilitres: 1, from: 0, at: day })).toBeNull()
    expect(containerOutlook(1000, null)).toBeNull()
  })
})
