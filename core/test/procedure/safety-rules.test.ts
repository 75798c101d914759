import { describe, expect, it } from 'vitest'
import { isLive, holdsSolution, type Facets, type Procedure, type Step } from '../../procedure/index.ts'
import {
  conflictsOf,
  conflictsOfAct,
  endConflicts,
  putsHandsIn,
  type Condition,
} from '../../procedure/safety-rules.ts'
import { of, step } from '../made-up.ts'

/** A machine that is whole, empty, clean and cut off at its plug, with nothing odd about it. */
const well: Condition = {
  facets: {
    contents: 'empty',
    assembly: 'whole',
    power: 'isolated',
    isolatedBy: 'plug',
    hygiene: 'clean',
    partsOut: 0,
    residue: 'none',
    contact: 'none',
    heat: 'cooled',
  },
  worn: [],
  mixed: [],
  leftOut: false,
  counting: false,
  stale: false,
  outOfService: false,
  mixChanged: false,
}
const when = (facets: Partial<Facets>, more: Partial<Condition> = {}): Condition => ({
  ...well,
  ...more,
  facets: { ...well.facets, ...facets },
})
const plug = of([], { isolation: 'plug' })
const parts = (direction: 'in' | 'out', count = 2): Step =>
  ({ ...step('tray'), kind: 'parts', direction, parts: [{ id: 'a', name: 'A', count }] }) as Step
const wait = (more: object): Step =>
  ({ ...step('w'), kind: 'wait', of: 'contact', length: 1, attended: false, ...more }) as Step
const does = (more: Partial<Step>) => step('s', more)
type Row = readonly [string, Procedure, Condition, Step, readonly string[]]

describe('hands in the machine (common practice, no source)', () => {
  it.each([
    ['cut off as it must be', plug, well, does({ act: 'reach-in' }), []],
    ['cut off by more than it must', plug, when({ isolatedBy: 'breaker' }), does({ act: 'reach-in' }), []],
    [
      'cut off by less',
      plug,
      when({ isolatedBy: 'front' }),
      does({ act: 'reach-in' }),
      ['hands-before-isolation'],
    ],
    ['off, not cut off', plug, when({ power: 'off' }), does({ act: 'reach-in' }), ['hands-before-isolation']],
    [
      'cut off, nobody knows how',
      plug,
      when({ isolatedBy: null }),
      does({ act: 'reach-in' }),
      ['hands-before-isolation'],
    ],
    [
      'nobody says what cuts it off',
      of([], { isolation: undefined as never }),
      well,
      does({ act: 'reach-in' }),
      ['isolation-not-stated'],
    ],
    ['nothing that moves', of([]), when({ power: 'on', heat: 'hot' }), does({ act: 'reach-in' }), []],
    ['hot', plug, when({ heat: 'hot' }), does({ act: 'reach-in' }), ['hands-while-hot']],
    ['parts out while it runs', plug, when({ power: 'on' }), parts('out'), ['hands-before-isolation']],
    ['at the sink it may run', plug, when({ power: 'on' }), { ...parts('out'), at: 'sink' } as Step, []],
  ] as Row[])('%s', (_, p, c, s, rules) => expect(conflictsOf(p, c, s)).toEqual(rules))
  it.each([
    ['a bin emptied', does({ effects: { ice: 'none' } }), true],
    ['a spray, a cloth', does({ act: 'sanitize' }), true],
    ['sanitizer poured in', does({ act: 'sanitize', effects: { contents: 'sanitizer' } }), false],
    ['what is done at the sink', does({ act: 'reach-in', at: 'sink' }), false],
    ['anything else', does({ effects: { ice: 'food' } }), false],
  ] as const)('%s', (_, s, hands) => expect(putsHandsIn(s)).toBe(hands))
})

describe('freezing', () => {
  const freeze = does({ act: 'freeze' })
  const own = of([], { freezesSolution: true })
  it.each([
    ['empty and whole', plug, well, freeze, []],
    ['with water in it', plug, when({ contents: 'rinse' }), freeze, ['freeze-while-wet']],
    ['with who knows what in it', plug, when({ contents: 'unknown' }), freeze, ['freeze-while-wet']],
    ['with product in it', plug, when({ contents: 'product' }), freeze, []],
    ['apart', plug, when({ assembly: 'apart' }), freeze, ['freeze-while-open']],
    ['parts out', plug, when({ partsOut: 1 }), freeze, ['freeze-while-open']],
    ['nobody knows how many parts out', plug, when({ partsOut: null }), freeze, []],
    ['parts left out by name', plug, when({ partsOut: 1 }, { leftOut: true }), freeze, []],
    ['out of service', plug, when({}, { outOfService: true }), freeze, ['out-of-service']],
    [
      'one that freezes its solution',
      own,
      when({ contents: 'descaler', assembly: 'apart' }, { outOfService: true }),
      freeze,
      [],
    ],
    [
      'switched to it by a step',
      plug,
      when({ contents: 'rinse' }),
      does({ effects: { power: 'freezing' } }),
      ['freeze-while-wet'],
    ],
    [
      'switched to it by a wait',
      plug,
      when({ contents: 'rinse' }),
      wait({ during: { power: 'freezing' } }),
      ['freeze-while-wet'],
    ],
    [
      'switched to it, emptied at once',
      plug,
      when({ contents: 'rinse' }),
      does({ effects: { power: 'freezing', contents: 'product' } }),
      ['product-before-sanitizing', 'product-on-solution'],
    ],
    [
      'on already',
      plug,
      when({ contents: 'rinse', power: 'freezing' }),
      does({ effects: { power: 'freezing' } }),
      [],
    ],
    ['something else switched', plug, when({ contents: 'rinse' }), does({ effects: { power: 'on' } }), []],
  ] as Row[])('%s', (_, p, c, s, rules) => expect(conflictsOf(p, c, s)).toEqual(rules))
})

describe('sanitizing: FDA Food Code 2022, 4-701.10, 4-501.115', () => {
  const wash = does({ act: 'sanitize', effects: { contents: 'sanitizer' } })
  const same = { ...wash, sameAgent: 'wash' } as Step
  const mixed = [{ use: 'wash', alsoWashes: true }]
  it.each([
    ['on what is clean', well, wash, []],
    ['on what is sanitized', when({ hygiene: 'sanitized' }), wash, []],
    ['on soil', when({ hygiene: 'soiled' }), wash, ['sanitizer-on-soil']],
    ['on what is only rinsed', when({ hygiene: 'rinsed' }), wash, ['sanitizer-on-soil']],
    ['on product', when({ contents: 'product' }), wash, ['sanitizer-on-product']],
    ['on who knows what', when({ contents: 'unknown' }), wash, ['sanitizer-on-product']],
    ['on detergent', when({ contents: 'detergent' }), wash, ['sanitizer-on-detergent']],
    ['on what is left of detergent', when({ residue: 'detergent' }), wash, ['sanitizer-on-detergent']],
    ['on descaler', when({ contents: 'descaler' }), wash, ['sanitizer-on-descaler']],
    ['on what is left of descaler', when({ residue: 'descaler' }), wash, ['sanitizer-on-descaler']],
    [
      'poured in on descaler, whatever it is for',
      when({ residue: 'descaler' }),
      does({ effects: { contents: 'sanitizer' } }),
      ['sanitizer-on-descaler'],
    ],
    [
      'poured in on soil, for something else',
      when({ hygiene: 'soiled' }),
      does({ effects: { contents: 'sanitizer' } }),
      [],
    ],
    [
      'no sanitizer at all',
      when({ residue: 'descaler', hygiene: 'soiled' }),
      does({ effects: { contents: 'empty' } }),
      [],
    ],
    [
      'by its own wash, soil rinsed off',
      when({ hygiene: 'rinsed', residue: 'detergent' }, { mixed }),
      same,
      [],
    ],
    ['by its own wash, on soil', when({ hygiene: 'soiled' }, { mixed }), same, ['sanitizer-on-soil']],
    [
      'by another’s wash',
      when({ residue: 'detergent' }, { mixed: [{ use: 'other', alsoWashes: true }] }),
      same,
      ['sanitizer-on-detergent'],
    ],
    [
      'by a wash whose label says nothing of it',
      when({ residue: 'detergent' }, { mixed: [{ use: 'wash', alsoWashes: false }] }),
      same,
      ['sanitizer-on-detergent'],
    ],
    [
      'by a wash that the step does not name',
      when({ residue: 'detergent' }, { mixed }),
      wash,
      ['sanitizer-on-detergent'],
    ],
  ] as [string, Condition, Step, string[]][])('%s', (_, c, s, rules) =>
    expect(conflictsOf(plug, c, s)).toEqual(rules),
  )
})

describe('called sanitized: FDA Food Code 2022, 4-703.11', () => {
  const called = does({ effects: { hygiene: 'sanitized' } })
  const counted = { ...parts('in'), effects: { hygiene: 'sanitized' } } as Step
  it.each([
    ['wet for its whole time', when({ contact: 'whole' }), called, []],
    ['wet, not long enough', when({ contact: 'wet' }), called, ['sanitized-without-contact']],
    ['apart', when({ contact: 'whole', assembly: 'apart' }), called, ['parts-missing']],
    [
      'put together by the same step',
      when({ contact: 'whole', assembly: 'apart' }),
      does({ effects: { hygiene: 'sanitized', assembly: 'whole' } }),
      [],
    ],
    ['parts out', when({ contact: 'whole', partsOut: 1 }), called, ['parts-missing']],
    [
      'parts out by name',
      when({ contact: 'whole', partsOut: 1, assembly: 'apart' }, { leftOut: true }),
      called,
      [],
    ],
    ['its parts counted in by it', when({ contact: 'whole', partsOut: 2 }), counted, []],
    ['one more out than it counts in', when({ contact: 'whole', partsOut: 3 }), counted, ['parts-missing']],
    [
      'parts taken out by it',
      when({ contact: 'whole', partsOut: 1 }),
      { ...parts('out', 1), effects: { hygiene: 'sanitized' } } as Step,
      ['parts-missing'],
    ],
  ] as [string, Condition, Step, string[]][])('%s', (_, c, s, rules) =>
    expect(conflictsOf(plug, c, s)).toEqual(rules),
  )
})

describe('product: FDA Food Code 2022, 4-702.11', () => {
  const [prime, serve] = [does({ act: 'prime' }), does({ act: 'serve' })]
  const fill = does({ effects: { contents: 'product' } })
  const fit = (facets: Partial<Facets> = {}, more: Partial<Condition> = {}) =>
    when({ hygiene: 'sanitized', ...facets }, more)
  it.each([
    ['in what is sanitized', fit(), prime, []],
    ['in what is only clean', when({}), prime, ['product-before-sanitizing']],
    ['poured into what is only clean', when({}), fill, ['product-before-sanitizing']],
    ['served from what is only clean', when({}), serve, ['product-before-sanitizing']],
    ['a step without any', when({}), does({}), []],
    ['apart', fit({ assembly: 'apart' }), prime, ['parts-missing']],
    ['parts out', fit({ partsOut: 1 }), prime, ['parts-missing']],
    ['nobody knows how many parts out', fit({ partsOut: null }), prime, ['parts-missing']],
    ['parts left out by name', fit({ assembly: 'apart', partsOut: 1 }, { leftOut: true }), prime, []],
    ['sanitized too long ago', fit({}, { stale: true }), prime, ['sanitized-too-long-ago']],
    ['too long ago, with product in it since', fit({ contents: 'product' }, { stale: true }), prime, []],
    ['too long ago, served', fit({}, { stale: true }), serve, []],
    ['never sanitized, and too long ago', when({}, { stale: true }), prime, ['product-before-sanitizing']],
    ['on solution', fit({ contents: 'sanitizer' }), prime, ['product-on-solution']],
    ['out of service', fit({}, { outOfService: true }), prime, ['out-of-service']],
    ['not cleaned since the mix was changed', fit({}, { mixChanged: true }), prime, ['mix-changed']],
  ] as [string, Condition, Step, string[]][])('%s', (_, c, s, rules) =>
    expect(conflictsOf(plug, c, s)).toEqual(rules),
  )
})

describe('acid, feeds and counts (common practice, no source)', () => {
  const descale = does({ effects: { contents: 'descaler' } })
  const mix = (acid: boolean) =>
    ({
      ...step('m'),
      kind: 'mix',
      use: 'x',
      volume: 1,
      capacity: 1,
      vessel: 'v',
      water: { lo: 1, hi: 2, unit: '°C' },
      acid,
    }) as Step
  const worn = ['gloves', 'goggles']
  it.each([
    ['descaler, with both worn', when({}, { worn }), descale, []],
    ['descaler, with gloves alone', when({}, { worn: ['gloves'] }), descale, ['acid-without-ppe']],
    ['acid mixed bare', well, mix(true), ['acid-without-ppe']],
    ['no acid', well, mix(false), []],
    ['with the feeds on', when({ feeds: 'on' }, { worn }), descale, ['delime-with-feeds-on']],
    ['with the feeds off', when({ feeds: 'off' }, { worn }), descale, []],
    ['anything else with the feeds on', when({ feeds: 'on' }), does({ effects: { contents: 'rinse' } }), []],
    ['parts in that never came out', well, parts('in'), ['parts-never-out']],
    ['parts in, the count going on', when({}, { counting: true }), parts('in'), []],
    ['parts in that are out', when({ partsOut: 2 }), parts('in'), []],
    ['parts in, nobody knows how many out', when({ partsOut: null }), parts('in'), []],
    ['parts in, of what is apart', when({ assembly: 'apart' }), parts('in'), []],
    ['parts out', well, parts('out'), []],
  ] as [string, Condition, Step, string[]][])('%s', (_, c, s, rules) =>
    expect(conflictsOf(plug, c, s)).toEqual(rules),
  )
})

describe('an act by itself', () => {
  it.each([
    ['sanitize', when({ hygiene: 'soiled', power: 'on' }), ['sanitizer-on-soil']],
    ['serve', when({ contents: 'product' }), ['product-before-sanitizing']],
    ['reach-in', when({ power: 'on' }), ['hands-before-isolation']],
    ['freeze', when({ contents: 'rinse' }), ['freeze-while-wet']],
    ['prime', when({ hygiene: 'sanitized' }), []],
  ] as const)('%s', (act, c, rules) => expect(conflictsOfAct(plug, c, act)).toEqual(rules))
})

describe('where a way ends', () => {
  const ends = (wanted: Partial<Facets>) => of([], { ends: wanted })
  it.each([
    ['as it should', ends({ power: 'on', contents: 'product' }), { power: 'on', contents: 'product' }, []],
    ['with the feeds off', of([]), { feeds: 'off' }, ['feeds-left-off']],
    ['with ice of the cleaning', of([]), { ice: 'cleaning' }, ['cleaning-ice-kept']],
    ['switched off where it should be on', ends({ power: 'on' }), { power: 'off' }, ['left-off']],
    ['cut off where it should freeze', ends({ power: 'freezing' }), { power: 'isolated' }, ['left-off']],
    ['on where it should be off', ends({ power: 'off' }), { power: 'on' }, ['ends-otherwise']],
    ['on where it should freeze', ends({ power: 'freezing' }), { power: 'on' }, ['ends-otherwise']],
    ['with something else in it', ends({ contents: 'empty' }), { contents: 'rinse' }, ['ends-otherwise']],
  ] as [string, Procedure, Partial<Facets>, string[]][])('%s', (_, p, facets, rules) =>
    expect(endConflicts(p, facets)).toEqual(rules),
  )
  it.each([
    ['on', true],
    ['standby', true],
    ['agitating', true],
    ['freezing', true],
    ['off', false],
    ['isolated', false],
    [undefined, false],
  ] as const)('power %s is live: %s', (power, live) => expect(isLive(power)).toBe(live))
  it.each([
    ['rinse', true],
    ['unknown', true],
    ['product', false],
    ['empty', false],
    [undefined, false],
  ] as const)('contents %s are a solution: %s', (contents, is) => expect(holdsSolution(contents)).toBe(is))
})
