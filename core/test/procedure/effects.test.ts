import { describe, expect, it } from 'vitest'
import type { Facets, Step } from '../../procedure/index.ts'
import { proceduresOf } from '../../procedure/library/index.ts'
import { changeBy, changeDuring, facetsSaid, mayChange } from '../../procedure/effects.ts'
import type { SafetyRule } from '../../procedure/safety-rules.ts'
import { step } from '../made-up.ts'

const well = { whole: true, broke: [] as SafetyRule[] }
const broken = { whole: true, broke: ['parts-missing'] as SafetyRule[] }
const does = (effects: Partial<Facets>, more: Partial<Step> = {}) => step('s', { effects, ...more })
const wait = (of: string, more: object = {}) =>
  ({ ...step('w'), kind: 'wait', of, length: 1, attended: false, ...more }) as Step
const parts = (direction: 'in' | 'out', more: object = {}) =>
  ({ ...step('p'), kind: 'parts', direction, parts: [{ id: 'a', name: 'A', count: 3 }], ...more }) as Step

type Row = readonly [
  string,
  Step,
  Partial<Facets>,
  { whole: boolean; broke: readonly SafetyRule[] },
  Partial<Facets>,
]
const rows: readonly Row[] = [
  ['what it says', does({ contents: 'empty' }), {}, well, { contents: 'empty' }],
  // Whole.
  ['whole, where nothing is out', does({ assembly: 'whole' }), { partsOut: 0 }, well, { assembly: 'whole' }],
  ['not whole with a part out', does({ assembly: 'whole' }), { partsOut: 1 }, well, {}],
  ['not whole where nobody was told of parts', does({ assembly: 'whole' }), {}, well, { assembly: 'whole' }],
  ['not whole by a step that broke a rule', does({ assembly: 'whole' }), { partsOut: 0 }, broken, {}],
  ['apart, however it was done', does({ assembly: 'apart' }), { partsOut: 1 }, broken, { assembly: 'apart' }],
  // Cooled.
  ['cooled, the time whole', wait('cool', { effects: { heat: 'cooled' } }), {}, well, { heat: 'cooled' }],
  [
    'not cooled, the time cut short',
    wait('cool', { effects: { heat: 'cooled' } }),
    {},
    { ...well, whole: false },
    {},
  ],
  ['cooled by what is no wait', does({ heat: 'cooled' }), {}, { ...well, whole: false }, { heat: 'cooled' }],
  [
    'hot, the time cut short',
    wait('heat', { effects: { heat: 'hot' } }),
    {},
    { ...well, whole: false },
    { heat: 'hot' },
  ],
  // Cut off.
  [
    'cut off by a gate that says how',
    { ...does({ power: 'isolated' }), kind: 'gate', hazardous: true, by: 'plug' } as Step,
    {},
    well,
    { power: 'isolated', isolatedBy: 'plug' },
  ],
  [
    'cut off by a gate that does not say',
    { ...does({ power: 'isolated' }), kind: 'gate', hazardous: true } as Step,
    {},
    well,
    { power: 'isolated', isolatedBy: null },
  ],
  [
    'on by a gate',
    { ...does({ power: 'on' }), kind: 'gate', hazardous: true, by: 'plug' } as Step,
    {},
    well,
    { power: 'on', isolatedBy: null },
  ],
  ['cut off by no gate', does({ power: 'isolated' }), {}, well, { power: 'isolated', isolatedBy: null }],
  // Residue.
  [
    'rinsed: nothing left',
    does({ contents: 'rinse' }),
    { residue: 'descaler' },
    well,
    { contents: 'rinse', residue: 'none', contact: 'none' },
  ],
  [
    'detergent in',
    does({ contents: 'detergent' }),
    {},
    well,
    { contents: 'detergent', residue: 'detergent', contact: 'none' },
  ],
  [
    'detergent on descaler: descaler is left',
    does({ contents: 'detergent' }),
    { residue: 'descaler' },
    well,
    { contents: 'detergent', contact: 'none' },
  ],
  [
    'descaler in',
    does({ contents: 'descaler' }),
    {},
    well,
    { contents: 'descaler', residue: 'descaler', contact: 'none' },
  ],
  [
    'called clean: its detergent is rinsed off',
    does({ hygiene: 'clean' }),
    { residue: 'detergent' },
    well,
    { hygiene: 'clean', residue: 'none' },
  ],
  [
    'called clean: its descaler is not',
    does({ hygiene: 'clean' }),
    { residue: 'descaler' },
    well,
    { hygiene: 'clean' },
  ],
  [
    'called rinsed: its detergent is not',
    does({ hygiene: 'rinsed' }),
    { residue: 'detergent' },
    well,
    { hygiene: 'rinsed' },
  ],
  ['not clean by a step that broke a rule', does({ hygiene: 'clean' }), {}, broken, {}],
  ['soiled by one', does({ hygiene: 'soiled' }), {}, broken, { hygiene: 'soiled' }],
  // Contact.
  ['wet by sanitizing', does({}, { act: 'sanitize' }), {}, well, { contact: 'wet' }],
  ['not wet by sanitizing that broke a rule', does({}, { act: 'sanitize' }), {}, broken, { contact: 'none' }],
  ['whole by a whole time on what is wet', wait('contact'), { contact: 'wet' }, well, { contact: 'whole' }],
  ['not whole by a time cut short', wait('contact'), { contact: 'wet' }, { ...well, whole: false }, {}],
  ['not whole by a wait for something else', wait('cool'), { contact: 'wet' }, well, {}],
  ['not whole on what is dry', wait('contact'), { contact: 'none' }, well, {}],
  ['not whole by a wait that broke a rule', wait('contact'), { contact: 'wet' }, broken, {}],
  ['not whole by what is no wait', does({}, { of: 'contact' } as never), { contact: 'wet' }, well, {}],
  [
    'sanitizer left in keeps its contact',
    does({ contents: 'sanitizer' }),
    { contact: 'whole' },
    well,
    { contents: 'sanitizer' },
  ],
  ['drained keeps it', does({ contents: 'empty' }), { contact: 'whole' }, well, { contents: 'empty' }],
  [
    'product in ends it',
    does({ contents: 'product' }),
    { contact: 'whole' },
    well,
    { contents: 'product', contact: 'none' },
  ],
  // Sanitized.
  [
    'sanitized by a whole contact',
    does({ hygiene: 'sanitized' }),
    { contact: 'whole' },
    well,
    { hygiene: 'sanitized', contact: 'none' },
  ],
  ['not sanitized by less', does({ hygiene: 'sanitized' }), { contact: 'wet' }, well, {}],
  [
    'not sanitized by a step that broke a rule',
    does({ hygiene: 'sanitized' }),
    { contact: 'whole' },
    broken,
    {},
  ],
  [
    'product in what was sanitized too long ago: nobody knows',
    does({ contents: 'product' }),
    {},
    { whole: true, broke: ['sanitized-too-long-ago'] },
    { contents: 'product', contact: 'none', hygiene: 'unknown' },
  ],
  // Parts.
  [
    'parts out: apart, and so many more',
    parts('out'),
    { partsOut: 2 },
    well,
    { assembly: 'apart', partsOut: 5 },
  ],
  ['parts out of what nobody was told of', parts('out'), {}, well, { assembly: 'apart', partsOut: 3 }],
  [
    'parts out where nobody knows how many',
    parts('out'),
    { partsOut: null },
    well,
    { assembly: 'apart', partsOut: null },
  ],
  [
    'parts out to dry',
    parts('out', { effects: { assembly: 'drying' } }),
    { partsOut: 0 },
    well,
    { assembly: 'drying', partsOut: 3 },
  ],
  [
    'parts out of what was sanitized: clean',
    parts('out'),
    { partsOut: 0, hygiene: 'sanitized' },
    well,
    { assembly: 'apart', partsOut: 3, hygiene: 'clean' },
  ],
  [
    'parts out of it, soiled',
    parts('out', { effects: { hygiene: 'soiled' } }),
    { partsOut: 0, hygiene: 'sanitized' },
    well,
    { assembly: 'apart', partsOut: 3, hygiene: 'soiled' },
  ],
  ['parts in: so many fewer', parts('in'), { partsOut: 5 }, well, { partsOut: 2 }],
  ['parts in, never below none', parts('in'), { partsOut: 1 }, well, { partsOut: 0 }],
  ['parts in where nobody knows how many', parts('in'), { partsOut: null }, well, { partsOut: 0 }],
  ['parts in of what nobody was told of', parts('in'), {}, well, { partsOut: 0 }],
  ['parts in that break a rule count nothing', parts('in'), { partsOut: 5 }, broken, {}],
]

describe('what becomes of a machine by a step', () => {
  it.each(rows)('%s', (_, s, now, doing, change) => expect(changeBy(s, now, doing)).toEqual(change))
})

describe('what is true while a wait runs', () => {
  it('is what it says; by a switch it is cut off no longer', () => {
    expect(changeDuring(wait('freeze', { during: { power: 'freezing' } }))).toEqual({
      power: 'freezing',
      isolatedBy: null,
    })
    expect(changeDuring(wait('cool', { during: { heat: 'hot' } }))).toEqual({ heat: 'hot' })
    expect(changeDuring({ ...wait('cool', { during: { heat: 'hot' } }), kind: 'tend' } as Step)).toEqual({
      heat: 'hot',
    })
    expect(changeDuring(wait('cool'))).toEqual({})
    expect(changeDuring(step('s', { during: { heat: 'hot' } } as never))).toEqual({})
  })
  it('a facet may change by the step or while it waits', () => {
    const both = wait('cool', { effects: { heat: 'cooled' }, during: { power: 'on' } })
    expect([mayChange(both, 'heat'), mayChange(both, 'power'), mayChange(both, 'contents')]).toEqual([
      true,
      true,
      false,
    ])
    expect(mayChange(step('s'), 'heat')).toBe(false)
  })
})

describe('the sides of a machine that its procedures speak of', () => {
  const of = (family: string) => facetsSaid(proceduresOf(family))
  it('are told, and no others: nobody calls a grinder’s food surfaces unknown', () => {
    expect(of('grinder').has('hygiene')).toBe(false)
    expect(of('grinder').has('assembly')).toBe(true)
    expect(of('sink').has('hygiene')).toBe(false)
    for (const family of ['soft-serve-gravity', 'slush', 'ice-cube', 'batch'])
      expect([family, of(family).has('hygiene')]).toEqual([family, true])
  })
})
