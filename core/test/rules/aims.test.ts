import { describe, expect, it } from 'vitest'
import { refused } from '../refused.ts'
import {
  aimedBand,
  aimedTarget,
  checkTarget,
  chosenPractice,
  isShowable,
  possibleReadings,
  practices,
  showableTarget,
  stripFit,
  titrationReading,
  type AimedUse,
} from '../../rules/index.ts'

const strip = { unit: 'ppm' as const, blocks: [0, 50, 100, 200] }

describe('drops of a kit, half a drop either way (common practice, no source)', () => {
  it.each([
    [0, 50, 0, 25],
    [1, 50, 25, 75],
    [7, 25, 162.5, 187.5],
  ])('%d drops at %d ppm a drop read %d to %d', (drops, perDrop, lo, hi) =>
    expect(titrationReading(drops, perDrop)).toEqual({ lo, hi }),
  )
  it.each([
    ['half a drop', 1.5, 50, 'not_a_number'],
    ['a drop that is no number', 1, NaN, 'not_a_number'],
    ['fewer than none', -1, 50, 'negative_quantity'],
    ['drops of nothing', 1, 0, 'negative_quantity'],
    ['drops of less than nothing', 1, -5, 'negative_quantity'],
  ])('%s are refused', (_, drops, perDrop, code) =>
    expect(refused(() => titrationReading(drops, perDrop))).toEqual({ code, field: 'drops' }),
  )
})

describe('what a strip can show (common practice, no source)', () => {
  it('is each block and each gap, the last open above', () =>
    expect(possibleReadings(strip)).toEqual([
      { reading: { lo: 0, hi: 25 }, block: 0 },
      { reading: { lo: 0, hi: 50 }, block: null },
      { reading: { lo: 25, hi: 75 }, block: 50 },
      { reading: { lo: 50, hi: 100 }, block: null },
      { reading: { lo: 75, hi: 150 }, block: 100 },
      { reading: { lo: 100, hi: 200 }, block: null },
      { reading: { lo: 150, hi: null }, block: 200 },
      { reading: { lo: 200, hi: null }, block: null },
    ]))
  it('fits a band that a reading lies wholly in, block or gap', () => {
    expect(stripFit(strip, { lo: 50, hi: 99 })).toEqual({ canShow: false, blocksInside: [] })
    expect(stripFit(strip, { lo: 50, hi: 100 })).toEqual({ canShow: true, blocksInside: [] })
    expect(stripFit(strip, { lo: 75, hi: 150 })).toEqual({ canShow: true, blocksInside: [100] })
  })
  it.each([
    // Within a gap: a quarter of it from either block, and the whole gap inside.
    ['the middle of a gap that is inside', { lo: 100, hi: 200 }, 150, true],
    ['a quarter into it', { lo: 100, hi: 200 }, 125, true],
    ['a quarter before its end', { lo: 100, hi: 200 }, 175, true],
    ['just short of a quarter: the block’s colour, which reaches below', { lo: 100, hi: 200 }, 124, false],
    ['just past it: the darker block, which is open above', { lo: 100, hi: 200 }, 176, false],
    ['the middle of a gap that reaches out', { lo: 110, hi: 200 }, 150, false],
    // On a block: all that matches it inside.
    ['a block wholly inside', { lo: 75, hi: 150 }, 100, true],
    ['near it', { lo: 75, hi: 150 }, 90, true],
    ['a block that reaches out', { lo: 80, hi: 150 }, 100, false],
    ['the darkest, which is open', { lo: 150, hi: 400 }, 200, false],
    ['what lies above every block', { lo: 100, hi: 400 }, 300, false],
  ])('%s', (_, band, wanted, showable) => expect(isShowable(strip, band, wanted)).toBe(showable))
  it('a target is moved to the block inside that lies nearest; to none where none is', () => {
    const fine = { unit: 'ppm' as const, blocks: [0, 100, 150, 200, 300, 400] }
    expect(showableTarget(fine, { lo: 110, hi: 350 }, 170)).toBe(150)
    expect(showableTarget(fine, { lo: 110, hi: 350 }, 290)).toBe(300)
    expect(showableTarget(fine, { lo: 110, hi: 380 })).toBe(200)
    expect(showableTarget(strip, { lo: 50, hi: 99 })).toBeNull()
  })
})

describe('what a site chose', () => {
  it('is its choice, the default where it chose nothing or something unknown, and nothing for no question', () => {
    expect(chosenPractice('chlorine', { chlorine: 'wide' })).toBe('wide')
    expect(chosenPractice('chlorine', {})).toBe('table')
    expect(chosenPractice('chlorine', { chlorine: 'label' })).toBe('table')
    expect(chosenPractice('quat', { quat: 'gone' })).toBe('label')
    expect(chosenPractice('nobody', { nobody: 'x' })).toBe('')
  })
  it('falls back on a choice that is offered', () => {
    for (const s of practices) expect(s.choices).toContain(s.fallback)
  })
})

const use = (change: Partial<AimedUse> = {}): AimedUse => ({
  id: 'cloths',
  range: { lo: 60, hi: 180 },
  target: 120,
  ...change,
})
describe('the band that crew aim at (common practice, no source)', () => {
  it.each([
    ['chlorine, 50 to 99', 'chlorine', { chlorine: 'fifty' }, use(), { lo: 60, hi: 99 }],
    ['chlorine, 50 to 200', 'chlorine', { chlorine: 'wide' }, use(), { lo: 60, hi: 180 }],
    ['chlorine by the table', 'chlorine', {}, use(), null],
    [
      '100 ppm, for frozen desserts',
      'chlorine',
      { chlorine: 'hundred' },
      use({ id: 'frozen-dessert' }),
      { lo: 100, hi: 100 },
    ],
    ['100 ppm, for anything else', 'chlorine', { chlorine: 'hundred' }, use(), null],
    [
      'quat, 150 to 400',
      'quat',
      { quat: 'wide' },
      use({ range: { lo: 200, hi: 300 } }),
      { lo: 200, hi: 300 },
    ],
    [
      'quat, 200, at the label’s very end',
      'quat',
      { quat: 'two-hundred' },
      use({ range: { lo: 100, hi: 200 } }),
      { lo: 200, hi: 200 },
    ],
    ['quat, 200, outside its label', 'quat', { quat: 'two-hundred' }, use(), null],
    ['quat by its label', 'quat', {}, use(), null],
    ['a label without a range', 'quat', { quat: 'wide' }, use({ range: null }), null],
    ['another kind', 'other', { other: 'wide' }, use(), null],
    ['iodine, of which nothing is asked', 'iodine', { iodine: 'wide' }, use(), null],
    ['what sanitizes nothing', null, { chlorine: 'wide' }, use(), null],
  ] as [string, string | null, Record<string, string>, AimedUse, unknown][])(
    '%s',
    (_, agent, chosen, asked, band) => expect(aimedBand(agent, asked, chosen)).toEqual(band),
  )
})

describe('the ppm that a mix aims at', () => {
  const wide = use({ range: { lo: 50, hi: 200 }, target: 150 })
  it.each([
    ['the label’s target', {}, wide, null, 150],
    ['none, where the label names none', {}, use({ target: null }), null, null],
    ['the target, where the label gives no range', {}, use({ range: null }), null, 120],
    ['down into the band', { chlorine: 'fifty' }, wide, null, 99],
    ['up into the band', { chlorine: 'hundred' }, use({ id: 'frozen-dessert', target: 80 }), null, 100],
    ['never out of the label', {}, use({ target: 500 }), null, 180],
    ['what the strip shows as in', {}, wide, strip, 150],
    ['the nearest block that it does show', {}, use({ range: { lo: 75, hi: 160 }, target: 140 }), strip, 100],
    [
      'itself, where the strip shows nothing of the band',
      {},
      use({ range: { lo: 50, hi: 99 }, target: 70 }),
      strip,
      70,
    ],
  ] as [string, Record<string, string>, AimedUse, typeof strip | null, number | null][])(
    '%s',
    (_, chosen, asked, at, target) => expect(aimedTarget('chlorine', asked, chosen, at)).toBe(target),
  )
})

describe('a target that is typed', () => {
  const check = (
    target: number,
    agent: string | null,
    range: { lo: number; hi: number } | null,
    rinseAfter = false,
  ) => refused(() => checkTarget(agent, { range, rinseAfter }, target))
  it('chlorine over 200 ppm asks for a rinse: 40 CFR 180.940', () => {
    expect(check(201, 'chlorine', null)).toEqual({ code: 'target_needs_rinse', field: 'target', most: 200 })
    expect(check(200, 'chlorine', null)).toBeNull()
    expect(check(201, 'chlorine', null, true)).toBeNull()
    expect(check(201, 'quat', null)).toBeNull()
  })
  it('stays within its label, both ends allowed', () => {
    const range = { lo: 150, hi: 400 }
    expect(check(401, 'quat', range)).toEqual({ code: 'target_over_label', field: 'target', most: 400 })
    expect(check(149, 'quat', range)).toEqual({ code: 'target_under_label', field: 'target', least: 150 })
    expect(check(400, 'quat', range)).toBeNull()
    expect(check(150, 'quat', range)).toBeNull()
  })
})
