import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { clockHeard, clockOffsetOf, learnClock, offsetTaken, type ClockSample } from '../../stream/index.ts'

const at = 1_790_000_000_000

describe('the clock of a tablet that sent', () => {
  it.each([
    ['a clock that is right', 0, 40, 0, 0],
    ['a clock that is right, over slow Wi-Fi', 0, 9000, 0, 0],
    ['a clock ten minutes behind, over slow Wi-Fi', 600_000, 9000, 600_010, 600_010],
    ['a clock ten minutes ahead', -600_000, 100, -599_990, -599_990],
    ['a clock that was set since it was last told', 600_000, 100, 0, 600_100],
    ['nothing told: as it came', 600_000, 100, null, 600_100],
    ['nothing told, and near', 0, 1900, null, 0],
    ['nothing told, and long under way: nobody can tell', 0, 2100, null, 2100],
    ['told, and come before it was sent by what was told: told wrong', 0, 0, 60_000, 0],
  ])('%s', (_, behind, way, told, offset) => {
    const sentAt = at - behind
    expect(clockOffsetOf(at + way, sentAt, told)).toBe(offset)
  })
  it('keeps what was done in order, however long each batch was under way', () => {
    const batches = fc.array(
      fc.tuple(fc.integer({ min: 1, max: 5000 }), fc.integer({ min: 0, max: 15_000 })),
      {
        minLength: 2,
        maxLength: 20,
      },
    )
    const skew = fc.oneof(fc.integer({ min: -1500, max: 1500 }), fc.integer({ min: -1e9, max: 1e9 }))
    fc.assert(
      fc.property(batches, skew, fc.integer({ min: -1000, max: 1000 }), (list, behind, wrong) => {
        let done = at
        const corrected = list.map(([step, way]) => {
          done += step
          return done + clockOffsetOf(done + behind + way, done, behind + wrong)
        })
        expect(corrected).toEqual(corrected.toSorted((a, b) => a - b))
      }),
    )
  })
})

describe('what a tablet learns of its clock', () => {
  /** One answer: the server's clock is `behind` ahead of the tablet's; there and back took so long. */
  const answer = (behind: number, there: number, back: number): ClockSample =>
    clockHeard(at + behind + there, at, at + there + back)
  it('is right within half of what the answer took', () => {
    const way = fc.integer({ min: 0, max: 8000 })
    fc.assert(
      fc.property(fc.integer({ min: -1e9, max: 1e9 }), way, way, (behind, there, back) => {
        const heard = answer(behind, there, back)
        expect(Math.abs(heard.offset - behind)).toBeLessThanOrEqual(heard.within)
      }),
    )
  })
  it('stays what it is over slow answers, and gets better by quick ones', () => {
    const slow = answer(600_000, 4000, 100)
    const quick = answer(600_000, 20, 20)
    expect(learnClock(null, slow)).toBe(slow)
    expect(learnClock(slow, quick)).toBe(quick)
    expect(learnClock(quick, slow)).toBe(quick)
    expect(offsetTaken(quick)).toBe(600_000)
  })
  it('is learned anew where a clock was set', () => {
    const set = answer(1_200_000, 4000, 100)
    expect(learnClock(answer(0, 20, 20), set)).toBe(set)
  })
  it('is nothing where the clock is near', () => expect(offsetTaken({ offset: -1800, within: 10 })).toBe(0))
})
