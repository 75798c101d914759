import { describe, expect, it } from 'vitest'
import { judgeSample, sampleFold, samplesStand, type SampleFound, type SampleState } from '../../lab/index.ts'
import { atMost, instant } from '../../quantity/index.ts'
import type { LocalRule } from '../../rules/index.ts'
import { recordOf } from '../records.ts'

/** An authority's limits for frozen dessert, invented for the test: at most 10 coliform and 50 000 in the plate count a gram. */
const rule = (quantity: LocalRule['quantity'], most: number, more: Partial<LocalRule> = {}): LocalRule => ({
  ...{ id: quantity, authority: 'Harbour county', effect: { kind: 'adds' }, quantity, unit: '/g' },
  ...{ limit: atMost(most), from: instant(0), until: null, reason: 'county code' },
  ...more,
})
const rules = [rule('coliform', 10), rule('plateCount', 50_000)]
const found = (of: SampleFound['of'], value: number, bound: SampleFound['bound'] = null): SampleFound => ({
  ...{ of, value, bound, unit: '/g' },
})
const sample = (
  id: string,
  at: number,
  numbers: readonly SampleFound[] | null,
  where = 'left spout',
): SampleState => ({
  id,
  taken: {
    ...{ kind: 'frozen-dessert', station: 'twin', where, lab: 'Lab', number: id },
    ...{ at, by: 'ines' },
  },
  result: numbers ? { found: numbers, report: null, at: at + 5, by: 'ines' } : null,
})

describe('a laboratory’s number', () => {
  it.each([
    ['at the limit', [found('coliform', 10)], 'in'],
    ['above it', [found('coliform', 11)], 'out'],
    ['"less than ten"', [found('coliform', 10, 'less')], 'in'],
    ['"less than a hundred" says too little', [found('coliform', 100, 'less')], 'too-close'],
    ['"more than a hundred"', [found('coliform', 100, 'more')], 'out'],
    ['one of two out', [found('coliform', 3), found('plateCount', 60_000)], 'out'],
  ] as const)('%s', (_, numbers, verdict) => {
    const { overall } = judgeSample(numbers, rules, 100)
    expect(overall).toBe(verdict)
  })
  it('is never in where the authority’s limit is not entered, is of another unit, or had ended', () => {
    expect(judgeSample([found('listeria', 0)], rules, 100).overall).toBe('cannot-tell')
    expect(judgeSample([{ ...found('coliform', 1), unit: '/mL' }], rules, 100).overall).toBe('cannot-tell')
    const ended = [rule('coliform', 10, { until: instant(50) })]
    expect(judgeSample([found('coliform', 1)], ended, 100).overall).toBe('cannot-tell')
  })
  it('is held to the limit of its own time, and to the first entered since where there was none', () => {
    const later = rule('coliform', 100, { from: instant(500) })
    expect(judgeSample([found('coliform', 50)], [later], 100).overall).toBe('in')
    expect(judgeSample([found('coliform', 50)], [...rules, later], 100).overall).toBe('out')
    const looser = rule('coliform', 1000, { from: instant(900) })
    expect(judgeSample([found('coliform', 500)], [looser, later], 100).overall).toBe('out')
  })
  it('passes nothing of which no number came', () => {
    expect(judgeSample([], rules, 100).overall).toBe('cannot-tell')
  })
})

describe('a sample that was not in', () => {
  const bad = sample('1', 100, [found('coliform', 400)])
  const is = (...samples: SampleState[]) => samplesStand(samples, rules).find((s) => s.id === '1')?.is
  it('stays open until a later one of the same place is in', () => {
    expect(is(bad)).toBe('open')
    expect(is(bad, sample('2', 200, null))).toBe('open')
    expect(is(bad, sample('2', 200, [found('coliform', 30)]))).toBe('open')
    expect(is(bad, sample('2', 50, [found('coliform', 3)]))).toBe('open')
    expect(is(bad, sample('2', 200, [found('coliform', 3)], 'right spout'))).toBe('open')
    expect(is(bad, sample('2', 200, [found('coliform', 3)], 'Left spout '))).toBe('followed')
  })
  it('is judged by the rules in force when it was taken, in whatever order records come', () => {
    const to = { kind: 'sample', id: '1' } as const
    const taken = recordOf(1, 'sample.taken@1', to, {
      ...{ kind: 'swab', station: null, where: 'sink edge', lab: 'Lab', number: '7' },
    })
    const result = recordOf(2, 'sample.result@1', to, { found: [found('coliform', 1)], report: null })
    const state = [taken, result].reduce(sampleFold.apply, sampleFold.initial('1'))
    expect(state.taken?.where).toBe('sink edge')
    expect(samplesStand([state], [])[0]?.is).toBe('cannot-tell')
  })
})
