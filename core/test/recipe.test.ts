import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { nextBatch, recipeRange, type MixSet } from '../house/index.ts'
import { latestProcedure, readVerdict, stepsOf, takeBack, type Step } from '../procedure/index.ts'
import { readLimits } from '../procedure/read-off.ts'
import { workThrough, Worked } from './records.ts'

type ReadStep = Step & { kind: 'read' }
const read = (id: string) =>
  stepsOf(latestProcedure('batch.open')?.nodes ?? []).find((s) => s.id === id) as ReadStep
const custard = { recipe: { celsius: { lo: -7, hi: -5 }, consistency: null } } as Partial<MixSet>

describe('a batch as it comes out', () => {
  it('is judged by the recipe of the one mix in the machine; without one nobody can tell', () => {
    const drawn = read('drawn')
    const by = recipeRange([custard], 'celsius')
    expect([-8, -7, -6, -5, -4].map((c) => readVerdict(drawn, c, {}, by))).toEqual([
      'out',
      'in',
      'in',
      'in',
      'out',
    ])
    expect(readVerdict(drawn, -6, {}, recipeRange([custard], 'consistency'))).toBe('cannot-tell')
    expect(readVerdict(drawn, -6, {}, recipeRange([custard, custard], 'celsius'))).toBe('cannot-tell')
    expect(readVerdict(drawn, -6, {}, recipeRange([], 'celsius'))).toBe('cannot-tell')
    expect(readLimits(drawn, { cylinder: 5 })).toEqual({ from: undefined, to: undefined })
  })
  // Common practice, no source: a lower consistency number is softer.
  it('softer than its recipe proposes a higher setting, firmer a lower one, and one that was in none', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 100 }),
        fc.integer({ min: 0, max: 60 }),
        fc.nat(30),
        (n, lo, wide) => {
          const range = { lo, hi: lo + wide }
          const asks = nextBatch('consistency', n, range)
          if (n >= lo && n <= range.hi) {
            expect(asks).toBeNull()
            return
          }
          if (!asks || !('set' in asks)) throw new Error('no setting')
          expect(asks.set).toBe(n < lo ? 'higher' : 'lower')
          expect(asks.by).toBeGreaterThan(0)
          const then = n + (asks.set === 'higher' ? asks.by : -asks.by)
          expect(nextBatch('consistency', then, range)).toBeNull()
        },
      ),
    )
  })
  it('warmer than its recipe is frozen longer, colder less', () => {
    const range = { lo: -7, hi: -5 }
    expect([-8, -6, -4].map((c) => nextBatch('celsius', c, range))).toEqual([
      { freeze: 'less' },
      null,
      { freeze: 'longer' },
    ])
  })
})

describe('a number that was read off a machine', () => {
  it('is kept with its verdict, the newest last; taken back, it was not read', () => {
    const first = workThrough('grinder.weekly')
    const again = new Worked(first.known, first.station, { from: 500, id: 'run-again' })
    let at = again.position
    while (again.station.readOff?.['Burr zero']?.length !== 2 && again.run.status === 'running') {
      at = again.position
      if (!again.step(() => ({ read: 212 }))) throw new Error('never read')
    }
    expect(again.station.readOff?.['Burr zero']?.map((r) => r.value).at(-1)).toBe(212)
    if (at) again.add('run.step.undone@2', takeBack(again.run, at))
    expect(again.station.readOff?.['Burr zero']).toEqual(first.station.readOff?.['Burr zero'])
  })
})
