import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { atLeastOf, questionsOf, together, type QuestionKind } from '../../honesty/index.ts'
import { fakes, whoFakes } from './fakes.ts'
import { honestFortnight } from './honest.ts'

/** Seeds that the limits were not chosen by. */
const heldBack = Array.from({ length: process.env['TADKA_LONG'] ? 200 : 30 }, (_, i) => 912_000 + i * 29)

describe('the chance of at least so many', () => {
  // Source: NIST/SEMATECH e-Handbook of Statistical Methods, 1.3.6.6.18, the binomial distribution; summed by hand.
  it.each([
    [2, 2, 0.5, 0.25],
    [1, 3, 0.5, 0.875],
    [8, 10, 0.5, 56 / 1024],
    [10, 10, 0.9, 0.9 ** 10],
    [0, 5, 0.1, 1],
    [5, 5, 0, 0],
    [3, 3, 1, 1],
  ])('%d of %d at %d is %d', (k, n, p, chance) => expect(atLeastOf(k, n, p)).toBeCloseTo(chance, 10))
  it('falls with every one more, rises with the chance of each, and stays between 0 and 1', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 200 }),
        fc.nat(),
        fc.double({ min: 0.001, max: 0.999, noNaN: true }),
        (n, pick, p) => {
          const k = pick % n
          const [less, more] = [atLeastOf(k, n, p), atLeastOf(k + 1, n, p)]
          expect(more).toBeLessThanOrEqual(less + 1e-9)
          expect(atLeastOf(k, n, Math.min(0.999, p * 1.1))).toBeGreaterThanOrEqual(less - 1e-9)
          expect(less >= 0 && less <= 1).toBe(true)
        },
      ),
    ))
})

describe('several chances together, by Fisher’s method', () => {
  it.each([
    [[0.3], 0.3],
    // x = -2 ln(0.05 * 0.05) in chi-squared with 4 degrees of freedom: exp(-x/2) (1 + x/2).
    [[0.05, 0.05], 0.0025 * (1 - Math.log(0.0025))],
    [[1, 1, 1], 1],
    [[], 1],
  ])('of %j is %d', (chances, all) => expect(together(chances)).toBeCloseTo(all, 10))
})

describe('an honest log', () => {
  it('is asked about less than once a fortnight, a good dispenser and all', () => {
    const asked = heldBack.flatMap((seed) => questionsOf(honestFortnight(seed)))
    expect(asked.length / heldBack.length).toBeLessThan(1)
  })
  it('whose tablets sent hours later is the same log: when it arrived is not looked at', () => {
    const log = honestFortnight(5)
    const shuffled = { ...log, entries: log.entries.toReversed() }
    expect(questionsOf(shuffled).length).toBe(questionsOf(log).length)
  })
  it('of a day without a roster says nothing of who was on shift', () => {
    const log = honestFortnight(5)
    expect(
      questionsOf({ ...log, shifts: [], rostered: [] }).filter((q) => q.kind === 'not-on-shift'),
    ).toEqual([])
  })
  it('of one person alone is not held against anybody', () => {
    const log = honestFortnight(5)
    const alone = { ...log, entries: log.entries.filter((e) => e.person === whoFakes) }
    const kinds = questionsOf(alone).map((q) => q.kind)
    expect(kinds.filter((k) => k === 'always-the-same' || k === 'round-numbers')).toEqual([])
  })
})

describe('a log that was filled in', () => {
  it.each(Object.entries(fakes))(
    'by %s is found nine times in ten, with who and which entries',
    (kind, fake) => {
      const found = heldBack.filter((seed) => {
        const log = fake(honestFortnight(seed), seed + 1)
        const ids = new Set(log.entries.map((e) => e.record))
        const asked = questionsOf(log).filter(
          (q) => q.kind === (kind as QuestionKind) && q.person === whoFakes,
        )
        for (const q of asked)
          expect([q.records.every((r) => ids.has(r)), q.from <= q.to]).toEqual([true, true])
        return asked.length > 0
      })
      expect(found.length / heldBack.length).toBeGreaterThanOrEqual(0.9)
    },
  )
  it('by one way brings nobody else into question', () => {
    for (const fake of Object.values(fakes)) {
      const others = heldBack
        .slice(0, 10)
        .flatMap((seed) =>
          questionsOf(fake(honestFortnight(seed), seed + 1)).filter((q) => q.person !== whoFakes),
        )
      expect(others.length / 10).toBeLessThan(1)
    }
  })
})
