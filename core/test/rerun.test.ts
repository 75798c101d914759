import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { isByStep, isLastDay, rerunDays, rerunFold, rerunStands, type RerunState } from '../rerun/index.ts'
import { allergensOf, anyTcs, isTcs, rerunFault, type MixSet } from '../house/index.ts'
import { foldAll } from '../stream/index.ts'
import { recordOf } from './records.ts'

const mix = (change: Partial<MixSet> = {}): MixSet => ({
  name: 'Fjord soft',
  flavour: 'vanilla',
  statedNotTcs: false,
  allergens: ['milk'],
  rerun: true,
  keepDays: null,
  ...change,
})
const subject = { kind: 'rerun', id: 'r' } as const
const kept = (change: object = {}) => ({
  station: 'st',
  run: 'run',
  step: 'product',
  mixes: ['fjord'],
  litres: 2,
  read: { value: 4, unit: '°C' as const },
  since: '2026-11-26',
  useBy: '2026-12-02',
  ...change,
})
/** Minutes after it was put by, and what happened then. */
type After = readonly [number, 'rerun.read@1' | 'rerun.ended@1' | 'rerun.taken-back@1', object]
const container = (of: object, ...then: After[]): RerunState =>
  foldAll(rerunFold, subject, [
    recordOf(0, 'rerun.kept@1', subject, kept(of) as never),
    ...then.map(([at, type, payload], i) => recordOf(at, type, subject, payload as never, i + 1)),
  ]).state
const night = 12 * 60
const stands = (r: RerunState, mixes: (MixSet | null)[] = [mix()], today = '2026-11-27') =>
  rerunStands(r, mixes, today, (r.keptAt ?? 0) + 6 * 3_600_000)
const cold: After = [night, 'rerun.read@1', { read: { value: 4.5, unit: '°C' } }]

describe('how long mix that is left is kept', () => {
  // FDA Food Code 2022, 3-501.17: seven days at most, the day of preparation counted as the first.
  it.each([
    ['seven days, the first counted', [mix()], null, '2026-12-02'],
    ['the maker’s days where they are fewer', [mix({ keepDays: 3 })], null, '2026-11-28'],
    ['never longer than seven, whatever the maker says', [mix({ keepDays: 14 })], null, '2026-12-02'],
    ['the site’s own where they are fewer', [mix({ keepDays: 5 })], 2, '2026-11-27'],
    ['of two mixes the shorter', [mix({ keepDays: 4 }), mix({ keepDays: 2 })], null, '2026-11-27'],
    ['a mix that nobody named: seven', [], null, '2026-12-02'],
    ['one day is today', [mix({ keepDays: 1 })], null, '2026-11-26'],
  ] as const)('%s', (_, mixes, siteDays, useBy) => {
    expect(rerunDays('2026-11-26', mixes, [], siteDays)).toEqual({ since: '2026-11-26', useBy })
  })
  it('no label names a day that the code does not allow', () => {
    const on = (day: string) => isLastDay('2026-11-26', day)
    expect(['2026-11-25', '2026-11-26', '2026-12-02', '2026-12-03'].map(on)).toEqual([
      false,
      true,
      true,
      false,
    ])
  })
  it('mixed batches take the day of the oldest', () => {
    const older = { since: '2026-11-23', useBy: '2026-11-29' }
    expect(rerunDays('2026-11-26', [mix()], [older], null)).toEqual({
      since: '2026-11-23',
      useBy: '2026-11-29',
    })
    expect(rerunDays('2026-11-26', [mix({ keepDays: 2 })], [older], null).useBy).toBe('2026-11-24')
  })
  it('is never longer for what was run again, however often', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 12 }), (days) => {
        let last = rerunDays('2026-11-01', [mix()], [], null)
        const first = last.useBy
        for (const [i, keepDays] of days.entries()) {
          const today = `2026-11-${String(2 + i).padStart(2, '0')}`
          const next = rerunDays(today, [mix({ keepDays })], [last], null)
          expect(next.useBy <= first).toBe(true)
          expect(next.since).toBe('2026-11-01')
          last = next
        }
      }),
    )
  })
})

describe('a container of kept mix', () => {
  it('is read cold on the morning before it is used', () => {
    expect(stands(container({}))).toEqual({ is: 'read-first' })
    expect(stands(container({}, cold))).toEqual({ is: 'use' })
  })
  it('that was warm once is thrown out, though it reads cold again', () => {
    const warm: After = [night, 'rerun.read@1', { read: { value: 6, unit: '°C' } }]
    const again: After = [night + 60, 'rerun.read@1', { read: { value: 4, unit: '°C' } }]
    expect(stands(container({}, warm, again))).toEqual({ is: 'throw-out', why: 'warm' })
  })
  it('is judged in the unit that it was read in', () => {
    const at = (value: number) =>
      stands(container({}, [night, 'rerun.read@1', { read: { value, unit: '°F' } }]))
    expect([at(41), at(42)]).toEqual([{ is: 'use' }, { is: 'throw-out', why: 'warm' }])
  })
  it('past its day is thrown out, cold or not', () => {
    expect(stands(container({}, cold), [mix()], '2026-12-03')).toEqual({ is: 'throw-out', why: 'late' })
    expect(stands(container({}, cold), [mix()], '2026-12-02').is).not.toBe('throw-out')
  })
  it('of a mix that its maker states to be safe without cooling is not judged by its temperature; by its day it is', () => {
    const safe = [mix({ statedNotTcs: true })]
    expect(stands(container({ read: { value: 12, unit: '°C' } }), safe)).toEqual({ is: 'use' })
    expect(stands(container({}), safe, '2026-12-03')).toEqual({ is: 'throw-out', why: 'late' })
  })
  it('of a mix that nobody named, or of which nobody entered a statement, must be cold', () => {
    const warm = container({ read: { value: 12, unit: '°C' } })
    for (const mixes of [[], [null], [mix({ statedNotTcs: true }), null]])
      expect(stands(warm, mixes)).toEqual({ is: 'throw-out', why: 'warm' })
    expect(anyTcs([])).toBe(true)
    expect([isTcs(null), isTcs({}), isTcs(mix({ statedNotTcs: true }))]).toEqual([true, true, false])
  })
  it('that was used or thrown out is gone, and is ended once', () => {
    const used: After = [
      night,
      'rerun.ended@1',
      { how: 'used', into: 'st', run: 'opening', step: 'prime', reason: '' },
    ]
    const out: After = [
      night + 1,
      'rerun.ended@1',
      { how: 'thrown-out', into: null, run: null, step: null, reason: 'late' },
    ]
    const ended = container({}, used, out)
    expect(stands(ended)).toEqual({ is: 'gone' })
    expect(ended.ended?.how).toBe('used')
  })
})

describe('a step that is taken back', () => {
  const back = (run: string, step: string): After => [night + 9, 'rerun.taken-back@1', { run, step }]
  const used: After = [
    night,
    'rerun.ended@1',
    { how: 'used', into: 'st', run: 'opening', step: 'prime', reason: '' },
  ]
  it('never put the container by: nobody is asked for it', () => {
    const r = container({}, back('run', 'product'))
    expect([r.keptAt, stands(r)]).toEqual([null, { is: 'gone' }])
  })
  it('never used it: it is there again, and judged as before', () => {
    expect(stands(container({}, cold, used, back('opening', 'prime')))).toEqual({ is: 'use' })
  })
  it('of another run, or another step, changes nothing', () => {
    for (const other of [back('other', 'product'), back('run', 'prime')])
      expect(stands(container({}, cold, other))).toEqual({ is: 'use' })
    expect(isByStep(container({}, used), { run: 'opening', step: 'prime' })).toBe(true)
    expect(isByStep(container({}), { run: 'opening', step: 'prime' })).toBe(false)
  })
})

describe('what a maker states', () => {
  it('decides whether what is left may be kept: not entered is no permission', () => {
    expect([true, false, null].map((rerun) => rerunFault(mix({ rerun })))).toEqual([
      null,
      'maker-forbids',
      'maker-unknown',
    ])
  })
  it('names the allergens of all that is in it; unknown where one is', () => {
    expect(allergensOf([mix({ allergens: ['soy'] }), mix({ allergens: ['milk', 'soy'] })])).toEqual([
      'milk',
      'soy',
    ])
    expect(allergensOf([mix(), mix({ allergens: null })])).toBeNull()
    expect(allergensOf([])).toBeNull()
    expect(allergensOf([mix({ allergens: [] })])).toEqual([])
  })
})
