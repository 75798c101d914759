import { describe, expect, it } from 'vitest'
import { interval, point, type Interval } from '../quantity/index.ts'
import * as rules from '../rules/index.ts'

type Unit = '°C' | '°F'
const at = (value: number, unit: Unit): rules.JudgedTemperature => ({ unit, reading: point(value) })
/** A hot-water machine that is right in everything, with one thing changed. */
const machine = (change: Partial<rules.DishMachineReading>): rules.Judgement =>
  rules.judgeDishMachine({
    kind: 'stationary-dual',
    wash: at(70, '°C'),
    rinse: at(84, '°C'),
    pressure: point(100),
    surface: null,
    plate: null,
    ...change,
  })

describe('wash tank: FDA Food Code 2022, 4-501.110', () => {
  // kind, minimum °C, minimum °F, section: every row, in both units
  it.each([
    ['stationary-single', 74, 165, '4-501.110(A)(1)'],
    ['stationary-dual', 66, 150, '4-501.110(A)(2)'],
    ['conveyor-dual', 71, 160, '4-501.110(A)(3)'],
    ['conveyor-multi', 66, 150, '4-501.110(A)(4)'],
    ['chemical', 49, 120, '4-501.110(B)'],
  ] as const)('%s: %d °C or %d °F or more (%s)', (kind, c, f, section) => {
    for (const [unit, limit] of [
      ['°C', c],
      ['°F', f],
    ] as const) {
      const verdict = (value: number) => machine({ kind, wash: at(value, unit) })
      expect(verdict(limit).overall).toBe('in')
      expect(verdict(limit + 0.1).overall).toBe('in')
      expect(verdict(limit - 0.1).overall).toBe('out')
      expect(verdict(limit).layers[0]?.limits[0]?.source).toContain(section)
    }
  })
  it('a 165 °F reading on a °F thermometer passes a 165 °F limit, though 74 °C is 165.2 °F', () => {
    expect(machine({ kind: 'stationary-single', wash: at(165, '°F') }).overall).toBe('in')
    expect(machine({ kind: 'stationary-single', wash: at(74, '°C') }).overall).toBe('in')
  })
})

describe('final rinse at the manifold: 4-501.112', () => {
  it.each([
    ['stationary-single', 74, 165],
    ['stationary-dual', 82, 180],
    ['conveyor-dual', 82, 180],
    ['conveyor-multi', 82, 180],
  ] as const)('%s: %d °C (%d °F) or more, and never over 90 °C (194 °F)', (kind, c, f) => {
    const verdict = (value: number, unit: Unit) =>
      machine({ kind, wash: at(80, '°C'), rinse: at(value, unit) }).overall
    expect([verdict(c, '°C'), verdict(c - 0.1, '°C'), verdict(c + 0.1, '°C')]).toEqual(['in', 'out', 'in'])
    expect([verdict(f, '°F'), verdict(f - 0.1, '°F'), verdict(f + 0.1, '°F')]).toEqual(['in', 'out', 'in'])
    expect([verdict(90, '°C'), verdict(90.1, '°C'), verdict(89.9, '°C')]).toEqual(['in', 'out', 'in'])
    expect([verdict(194, '°F'), verdict(194.1, '°F'), verdict(193.9, '°F')]).toEqual(['in', 'out', 'in'])
  })
  it('is not asked of a chemical machine', () => {
    const judged = machine({ kind: 'chemical', wash: at(50, '°C'), rinse: null, pressure: null })
    expect(judged.overall).toBe('in')
    expect(judged.layers[0]?.limits.map((l) => l.quantity)).toEqual(['wash'])
  })
})

describe('flow pressure: 4-501.113', () => {
  it.each([
    [34.9, 'out'],
    [35, 'in'],
    [35.1, 'in'],
    [199.9, 'in'],
    [200, 'in'],
    [200.1, 'out'],
  ])('%d kPa is %s', (kPa, verdict) => expect(machine({ pressure: point(kPa) }).overall).toBe(verdict))
  it('read on a gauge that is too coarse is too close near the limit', () => {
    expect(machine({ pressure: interval(30, 45) }).overall).toBe('too-close')
  })
})

describe('the utensil’s surface: 4-703.11(B), by an irreversible indicator (4-302.13)', () => {
  it.each([
    [71, '°C', 'in'],
    [70.9, '°C', 'out'],
    [71.1, '°C', 'in'],
    [160, '°F', 'in'],
    [159.9, '°F', 'out'],
    [160.1, '°F', 'in'],
  ] as const)('%d %s is %s', (value, unit, verdict) =>
    expect(machine({ surface: at(value, unit) }).overall).toBe(verdict),
  )
})

describe('the data plate', () => {
  const plate: rules.DataPlate = {
    wash: { c: 68, f: 155 },
    rinse: { c: 85, f: 185 },
    pressure: { lo: 100, hi: 170 },
  }
  it('speaks beside the code, and the stricter wins', () => {
    const judged = machine({ wash: at(66, '°C'), plate })
    expect(judged.layers.map((l) => [l.layer, l.verdict])).toEqual([
      ['code', 'in'],
      ['plate', 'out'],
    ])
    expect(judged.overall).toBe('out')
  })
  it('silent on everything, is no layer', () => {
    expect(machine({ plate: { wash: null, rinse: null, pressure: null } }).layers).toHaveLength(1)
  })
})

describe('what was not read', () => {
  it.each([
    ['the wash tank', { wash: null }, 'wash'],
    ['the final rinse', { rinse: null }, 'rinse'],
    ['the pressure', { pressure: null }, 'pressure'],
  ] as const)('%s: cannot tell, and it is named', (_, change, quantity) => {
    const judged = machine(change)
    expect(judged.overall).toBe('cannot-tell')
    expect(judged.missing).toEqual([{ quantity, best: 'in', worst: 'out' }])
  })
  it('does not hide what is out', () => {
    expect(machine({ wash: null, rinse: at(60, '°C') }).overall).toBe('out')
  })
})

describe('hot water by hand: 4-501.111 and 4-703.11(A)', () => {
  const judge = (value: number | null, unit: Unit, s: number | null) =>
    rules.judgeHotWaterByHand(value === null ? null : at(value, unit), s).overall
  it.each([
    [77, '°C', 30, 'in'],
    [76.9, '°C', 30, 'out'],
    [171, '°F', 30, 'in'],
    [170.9, '°F', 30, 'out'],
    [80, '°C', 29, 'out'],
    [80, '°C', 31, 'in'],
    [80, '°C', null, 'cannot-tell'],
    [null, '°C', 30, 'cannot-tell'],
  ] as const)('%s %s for %s s is %s', (value, unit, s, verdict) =>
    expect(judge(value, unit, s)).toBe(verdict),
  )
})

describe('wash water in the sink: 4-501.19', () => {
  it.each([
    [43, '°C', null, 'in'],
    [42.9, '°C', null, 'out'],
    [110, '°F', null, 'in'],
    [109.9, '°F', null, 'out'],
    [35, '°C', { c: 32, f: 90 }, 'in'],
    [31.9, '°C', { c: 32, f: 90 }, 'out'],
  ] as const)('%d %s with label %j is %s', (value, unit, label, verdict) => {
    expect(rules.judgeWashWater(at(value, unit), label).overall).toBe(verdict)
  })
  it('not measured cannot be told', () =>
    expect(rules.judgeWashWater(null, null).overall).toBe('cannot-tell'))
})

describe('how often utensils are cleaned: 4-602.11(C) and (D)(2)', () => {
  it.each([
    [null, 4],
    [{ value: 5, unit: '°C' }, 24],
    [{ value: 5.1, unit: '°C' }, 20],
    [{ value: 7.2, unit: '°C' }, 20],
    [{ value: 7.3, unit: '°C' }, 16],
    [{ value: 10, unit: '°C' }, 16],
    [{ value: 10.1, unit: '°C' }, 10],
    [{ value: 12.8, unit: '°C' }, 10],
    [{ value: 12.9, unit: '°C' }, 4],
    [{ value: 41, unit: '°F' }, 24],
    [{ value: 41.1, unit: '°F' }, 20],
    [{ value: 45, unit: '°F' }, 20],
    [{ value: 50, unit: '°F' }, 16],
    [{ value: 55, unit: '°F' }, 10],
    [{ value: 55.1, unit: '°F' }, 4],
  ] as const)('room %j: every %d h', (room, hours) => expect(rules.cleaningInterval(room).hours).toBe(hours))
})

describe('local rules over the code', () => {
  const now = 1000 as never
  const rule = (change: Partial<rules.LocalRule>): rules.LocalRule => ({
    id: 'l1',
    authority: 'Harbour authority',
    effect: { kind: 'adds' },
    quantity: 'wash',
    unit: '°C',
    limit: interval(75, null),
    from: 0 as never,
    until: null,
    reason: 'local code 12',
    ...change,
  })
  const judged = (rule_: rules.LocalRule, wash = 70) =>
    rules.withLocalRules(machine({ wash: at(wash, '°C') }), [rule_], now)
  const washOf = (j: rules.Judgement) => j.layers[0]?.limits.find((l) => l.quantity === 'wash')

  it('an added limit speaks beside the others, and the strictest wins', () => {
    expect(judged(rule({})).layers.map((l) => [l.layer, l.verdict])).toEqual([
      ['code', 'in'],
      ['local', 'out'],
    ])
    expect(judged(rule({})).overall).toBe('out')
    expect(judged(rule({}), 76).overall).toBe('in')
  })
  it('a replaced limit stays, struck, and does not vote; a looser replacement is marked', () => {
    const looser = rule({
      effect: { kind: 'replaces', section: '4-501.110(A)(2)' },
      limit: interval(60, null),
    })
    const result = judged(looser, 62)
    expect(result.overall).toBe('in')
    expect(washOf(result)).toMatchObject({ struck: true, looser: true, verdict: 'out' })
    const stricter = rule({
      effect: { kind: 'replaces', section: '4-501.110(A)(2)' },
      limit: interval(72, null),
    })
    expect(washOf(judged(stricter))).toMatchObject({ struck: true, looser: false })
    expect(judged(stricter).overall).toBe('out')
  })
  it('names a section whole: 4-501.11 strikes nothing of 4-501.110', () => {
    const wrong = rule({ effect: { kind: 'replaces', section: '4-501.11' }, limit: interval(10, null) })
    expect(washOf(judged(wrong))?.struck).toBeUndefined()
  })
  it('holds only from its date until its end', () => {
    expect(judged(rule({ from: 1001 as never })).overall).toBe('in')
    expect(judged(rule({ until: 1000 as never })).overall).toBe('in')
    expect(judged(rule({ from: 1000 as never, until: 1001 as never })).overall).toBe('out')
  })
  it('on what was not read cannot tell; on what this check is not about is left out', () => {
    const unread = rules.withLocalRules(machine({ wash: null }), [rule({})], now)
    expect(unread.layers.at(-1)).toMatchObject({ layer: 'local', verdict: 'cannot-tell' })
    expect(judged(rule({ quantity: 'quat', unit: 'ppm' })).layers).toHaveLength(1)
  })
  it('given in °C judges what was read in °F, and the other way round', () => {
    const inF = (f: number, change: Partial<rules.LocalRule> = {}) =>
      rules.withLocalRules(machine({ wash: at(f, '°F') }), [rule(change)], now).overall
    expect([inF(167), inF(166.9)]).toEqual(['in', 'out'])
    const fahrenheit = rule({ unit: '°F', limit: interval(167, null) })
    expect([judged(fahrenheit, 75).overall, judged(fahrenheit, 74.9).overall]).toEqual(['in', 'out'])
  })
  it.each([
    ['no reason', { reason: ' ' }, 'reason_missing'],
    ['no limit', { limit: { lo: null, hi: null } as Interval }, 'limit_missing'],
  ])('with %s is refused', (_, change, code) => {
    expect(() => rules.checkLocalRule(rule(change))).toThrow(expect.objectContaining({ code }))
  })
})

describe('kits and strips (common practice, no source)', () => {
  const strip = (blocks: number[]): rules.Strip => ({ name: 's', blocks, unit: 'ppm' })
  it('a titration kit is read to half a drop either way', () => {
    expect(rules.titrationReading(4, 50)).toEqual(interval(175, 225))
    expect(rules.titrationReading(0, 50)).toEqual(interval(0, 25))
    expect(() => rules.titrationReading(2.5, 50)).toThrow()
    expect(() => rules.titrationReading(-1, 50)).toThrow()
  })
  it('blocks 0, 50, 100, 200 can never show 50 to 99 as in; finer ones can', () => {
    expect(rules.stripFit(strip([0, 50, 100, 200]), interval(50, 99)).canShow).toBe(false)
    expect(rules.stripFit(strip([0, 25, 50, 75, 100]), interval(50, 99)).canShow).toBe(true)
  })
  it('names the block to aim at: wholly inside, nearest to the middle', () => {
    expect(rules.showableTarget(strip([0, 50, 100, 150, 200]), { lo: 100, hi: 200 })).toBe(150)
    expect(rules.showableTarget(strip([0, 100, 200, 300, 400]), { lo: 150, hi: 400 })).toBe(300)
    expect(rules.showableTarget(strip([0, 50, 100, 200]), { lo: 50, hi: 99 })).toBeNull()
  })
})

describe('schools (common practice, no source)', () => {
  it('fall back to the default, whatever unknown was chosen', () => {
    expect(rules.chosenPractice('quat', {})).toBe('label')
    expect(rules.chosenPractice('quat', { quat: 'guess' })).toBe('label')
    expect(rules.chosenPractice('quat', { quat: 'wide' })).toBe('wide')
    for (const s of rules.practices) expect(s.choices).toContain(s.fallback)
  })
  it('set a target inside the label, never outside', () => {
    expect(
      rules.aimedBand('chlorine', { id: 'u', range: { lo: 100, hi: 300 } }, { chlorine: 'wide' }),
    ).toEqual({
      lo: 100,
      hi: 200,
    })
    expect(
      rules.aimedBand('chlorine', { id: 'u', range: { lo: 100, hi: 200 } }, { chlorine: 'fifty' }),
    ).toBeNull()
    expect(rules.aimedBand('chlorine', { id: 'u', range: { lo: 100, hi: 200 } }, {})).toBeNull()
  })
})
