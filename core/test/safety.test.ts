import { describe, expect, it } from 'vitest'
import {
  allProcedures,
  optionSets,
  violationsOf,
  walkBudget,
  type Node,
  latestProcedure,
  type Procedure,
  type Step,
} from '../procedure/index.ts'
import { of } from './made-up.ts'

const run = (id: string, more: Partial<Step> = {}): Step => ({ id, kind: 'do', title: id, ...more }) as Step
const isolate = (by: 'front' | 'plug' | 'breaker' = 'plug') =>
  run('isolate', { kind: 'gate', hazardous: true, by, effects: { power: 'isolated' } } as Partial<Step>)
const wear = run('wear', { kind: 'gate', hazardous: false, wear: ['gloves', 'goggles'] } as Partial<Step>)
const tray = [{ id: 'beater', name: 'Beater', count: 1 }]
const parts = (direction: 'out' | 'in', list = tray, leave?: string[]) =>
  run(`parts-${direction}`, {
    kind: 'parts',
    direction,
    parts: list,
    ...(leave ? { leave } : {}),
  } as Partial<Step>)
const fill = (contents: 'rinse' | 'detergent' | 'descaler' | 'sanitizer' | 'product' | 'empty') =>
  run(`fill-${contents}`, { effects: { contents } })
const clean = run('clean', { effects: { hygiene: 'clean' } })
const touch = run('touch', { act: 'sanitize', effects: { contents: 'sanitizer' } })
const contact = run('contact', { kind: 'wait', of: 'contact', length: 1, attended: false } as Partial<Step>)
const drained = run('drain', { effects: { hygiene: 'sanitized', contents: 'empty' } })
const sanitized: Step[] = [fill('empty'), clean, touch, contact, drained]
const freeze = run('freeze', { act: 'freeze', effects: { power: 'freezing' } })
const reach = run('reach', { act: 'reach-in' })
const inspect = run('look', {
  kind: 'inspect',
  choices: [
    { id: 'ok', name: 'ok', outcome: 'fine' },
    { id: 'bad', name: 'bad', outcome: 'replace' },
  ],
} as Partial<Step>)

const rules = (p: Procedure) => [...new Set(violationsOf(p).map((v) => v.rule))]

// Rules over every path: common practice, no source; food contact after sanitizing: FDA Food Code 2022, 4-702.11.
describe('a procedure that breaks a rule is told which, and the way to it', () => {
  const plug = { isolation: 'plug' } as const
  it.each([
    ['freezes with water inside', of([fill('rinse'), freeze]), 'freeze-while-wet'],
    ['reaches in before isolation', of([reach, isolate()], plug), 'hands-before-isolation'],
    [
      'switches off at the front where the breaker is asked',
      of([isolate('front'), reach], { isolation: 'breaker' }),
      'hands-before-isolation',
    ],
    [
      'is switched on again before hands go in',
      of([isolate(), run('on', { effects: { power: 'on' } }), reach], plug),
      'hands-before-isolation',
    ],
    ['reaches in hot', of([isolate(), reach], { ...plug, begins: { heat: 'hot' } }), 'hands-while-hot'],
    [
      'sanitizes on descaler',
      of([wear, fill('descaler'), fill('empty'), fill('sanitizer')]),
      'sanitizer-on-descaler',
    ],
    [
      'delimes with feeds on',
      of([wear, fill('descaler')], { begins: { feeds: 'on' } }),
      'delime-with-feeds-on',
    ],
    [
      'leaves the feeds off',
      of([run('off', { effects: { feeds: 'off' } })], { begins: { feeds: 'on' } }),
      'feeds-left-off',
    ],
    [
      'primes with parts out',
      of([parts('out'), ...sanitized, run('prime', { act: 'prime' })]),
      'parts-missing',
    ],
    [
      'puts back fewer than came out',
      of([parts('out'), parts('in', [{ id: 'beater', name: 'Beater', count: 2 }])]),
      'parts-differ',
    ],
    [
      'keeps the ice of the cleaning',
      of([run('ice', { effects: { ice: 'cleaning' } })]),
      'cleaning-ice-kept',
    ],
    [
      'ends switched off',
      of([run('off', { effects: { power: 'off' } })], { ends: { power: 'on' } }),
      'left-off',
    ],
    ['primes unsanitized', of([run('prime', { act: 'prime' })]), 'product-before-sanitizing'],
    ['pours acid barehanded', of([fill('descaler')]), 'acid-without-ppe'],
    [
      'sanitizes without a contact time',
      of([fill('empty'), clean, touch, drained]),
      'sanitized-without-contact',
    ],
    [
      'sanitizes by a wait that is none of contact',
      of([fill('empty'), clean, touch, { ...contact, of: 'dissolve' } as Step, drained]),
      'sanitized-without-contact',
    ],
    [
      'waits first, sanitizes after',
      of([fill('empty'), clean, contact, touch, drained]),
      'sanitized-without-contact',
    ],
    [
      'touches it anew and does not wait again',
      of([fill('empty'), clean, touch, contact, touch, drained]),
      'sanitized-without-contact',
    ],
    [
      'sprays and calls it sanitized',
      of([clean, run('spray', { act: 'sanitize' }), run('dry', { effects: { hygiene: 'sanitized' } })]),
      'sanitized-without-contact',
    ],
    [
      'sanitizes over product',
      of([clean, touch], { begins: { contents: 'product' } }),
      'sanitizer-on-product',
    ],
    [
      'sanitizes over detergent',
      of([fill('detergent'), fill('empty'), touch], { begins: { hygiene: 'soiled' } }),
      'sanitizer-on-detergent',
    ],
    [
      'sanitizes over soil',
      of([fill('empty'), touch], { begins: { hygiene: 'soiled' } }),
      'sanitizer-on-soil',
    ],
    [
      'counts in what never came out',
      of([parts('in')], { begins: { assembly: 'whole', partsOut: 0 } }),
      'parts-never-out',
    ],
    [
      'does not say how it is isolated',
      { ...of([reach]), isolation: undefined } as unknown as Procedure,
      'isolation-not-stated',
    ],
    [
      'takes parts out before isolation, with no act named',
      of([parts('out')], plug),
      'hands-before-isolation',
    ],
    [
      'empties a bin before isolation, with no act named',
      of([run('bin', { effects: { ice: 'none' } })], { isolation: 'breaker' }),
      'hands-before-isolation',
    ],
    [
      'sprays inside before isolation, with no act named',
      of([clean, run('spray', { act: 'sanitize' })], plug),
      'hands-before-isolation',
    ],
    ['ends apart', of([parts('out')], { ends: { assembly: 'whole' } }), 'ends-otherwise'],
  ] as [string, Procedure, string][])('%s', (_, procedure, rule) => {
    expect(rules(procedure)).toContain(rule)
    const violation = violationsOf(procedure).find((v) => v.rule === rule)
    expect(violation?.path.length).toBeGreaterThan(0)
  })
  it('a clear rinse between makes it right; freezing its own solution is right where the family does', () => {
    expect(rules(of([wear, fill('descaler'), fill('rinse'), fill('sanitizer')]))).toEqual([])
    expect(rules(of([fill('rinse'), freeze], { freezesSolution: true }))).toEqual([])
  })
  it('washed and sanitized by one agent, its label named, soil rinsed off first: right; else not', () => {
    const mix = run('mix', { kind: 'mix', use: 'cleaner' } as Partial<Step>)
    const same = { ...touch, sameAgent: 'cleaner' } as Step
    const rinsed = run('rinsed', { effects: { hygiene: 'rinsed' } })
    const soiled = { begins: { hygiene: 'soiled', contents: 'empty' } } as const
    const rest = [contact, drained]
    expect(rules(of([mix, rinsed, fill('detergent'), same, ...rest], soiled))).toEqual([])
    expect(rules(of([mix, fill('detergent'), same, ...rest], soiled))).toEqual(['sanitizer-on-soil'])
    expect(rules(of([rinsed, fill('detergent'), same, ...rest], soiled))).toContain('sanitizer-on-detergent')
  })
  it('parts that a cycle runs without by name are no fault, until the end of it', () => {
    const two = [...tray, { id: 'spigot', name: 'Spigot', count: 1 }]
    expect(
      rules(
        of([parts('out', two), parts('in', two, ['spigot']), ...sanitized, run('serve', { act: 'serve' })]),
      ),
    ).toEqual([])
  })
})

describe('every way is walked', () => {
  it('the branch that only one outcome opens', () => {
    const branch: Node = { id: 'b', kind: 'branch', on: 'look', is: ['replace'], steps: [fill('rinse')] }
    const [violation] = violationsOf(of([inspect, branch, freeze]))
    expect(violation).toMatchObject({
      rule: 'freeze-while-wet',
      path: ['look', 'replace', 'fill-rinse', 'freeze'],
    })
  })
  it('the branch that the first verdict of a check opens', () => {
    const check = run('check', { kind: 'check', what: 'dish-machine' } as Partial<Step>)
    const branch: Node = { id: 'b', kind: 'branch', on: 'check', is: ['out'], steps: [fill('rinse')] }
    expect(violationsOf(of([check, branch, freeze]))[0]?.path).toEqual([
      'check',
      'out',
      'fill-rinse',
      'freeze',
    ])
  })
  it('the choice of an option, and it alone', () => {
    const options = [
      {
        id: 'school',
        question: '?',
        choices: [
          { id: 'a', says: 'a' },
          { id: 'b', says: 'b' },
        ],
        fallback: 'a',
        why: 'w',
      },
    ]
    const wet: Node = { ...fill('rinse'), when: [{ option: 'school', is: ['b'] }] }
    expect(violationsOf(of([wet, freeze], { options })).map((v) => v.options)).toEqual([{ school: 'b' }])
  })
  it('the second round of what is repeated', () => {
    const round = [freeze, fill('rinse')]
    const until: Node = { id: 'u', kind: 'until', title: 'u', sign: '?', usualRounds: 2, steps: round }
    expect(rules(of([until]))).toEqual(['freeze-while-wet'])
  })
  it('the order in which lanes happen to interleave', () => {
    const together: Node = {
      id: 't',
      kind: 'together',
      lanes: [
        { id: 'a', title: 'a', steps: [fill('rinse'), fill('empty')] },
        { id: 'b', title: 'b', steps: [freeze] },
      ],
    }
    expect(rules(of([together]))).toEqual(['freeze-while-wet'])
  })
})

describe('a procedure with more ways through it than can be walked', () => {
  const large = allProcedures().find((p) => p.id === 'ice-nugget.half-year')
  if (!large) throw new Error('no such procedure')
  const tooLarge = expect.objectContaining({ code: 'procedure_too_large' }) as Error
  it('is refused where its options multiply past what is walked, before any is', () => {
    const choices = [
      { id: 'a', says: 'a' },
      { id: 'b', says: 'b' },
    ]
    const option = (id: string) => ({ id, question: 'q', choices, fallback: 'a', why: 'w' })
    const wide = { ...large, options: Array.from({ length: 40 }, (_, i) => option(`o-${i}`)) }
    expect(() => violationsOf(wide)).toThrow(tooLarge)
    const plain = latestProcedure('soft-serve-pump.close') as Procedure
    const two = { ...plain, options: [option('x'), option('y')] }
    expect(() => violationsOf(two, { optionSets: 3, nodes: 1e9 })).toThrow(tooLarge)
    expect(violationsOf(two, { optionSets: 4, nodes: 1e9 })).toEqual([])
  })
  it('is refused where the walk grows too long, all its options counted together; the library stays far below', () => {
    const fits = (nodes: number) => {
      try {
        violationsOf(large, { ...walkBudget, nodes })
        return true
      } catch (error) {
        expect(error).toEqual(tooLarge)
        return false
      }
    }
    expect([fits(100), fits(walkBudget.nodes / 20)]).toEqual([false, true])
  })
})

describe.each(allProcedures().map((p) => [p.id, p] as const))('the library’s %s', (_, p) => {
  it('is safe on every way, under every set of its options', () => {
    expect(optionSets(p).length).toBeGreaterThan(0)
    expect(violationsOf(p)).toEqual([])
  })
})
