import { describe, expect, it } from 'vitest'
import { atLeast, atMost, instant, interval, point, type Interval } from '../../quantity/index.ts'
import { refused } from '../refused.ts'
import {
  allowedStrength,
  checkLocalRule,
  distanceTo,
  icePoint,
  inForce,
  instrumentReading,
  judgedAnew,
  judgeDishMachine,
  judgeInterval,
  judgeSanitizer,
  layLocalRules,
  limitVerdict,
  layerVerdict,
  modelCode,
  ruledQuantities,
  rulesInForce,
  stripReading,
  withLocalRules,
  type Judgement,
  type LocalRule,
} from '../../rules/index.ts'

const [day, now] = [86_400_000, instant(1_800_000_000_000)]
const rule = (change: Partial<LocalRule> = {}): LocalRule => ({
  id: 'r',
  authority: 'Harbour',
  effect: { kind: 'adds' },
  quantity: 'rinse',
  unit: '°C',
  limit: atLeast(85),
  from: instant(0),
  until: null,
  reason: 'byelaw 12',
  ...change,
})
const replaces = (section: string, change: Partial<LocalRule> = {}) =>
  rule({ effect: { kind: 'replaces', section }, ...change })
const machine = (
  unit: '°C' | '°F' = '°C',
  rinse: Interval | null = point(unit === '°C' ? 83 : 182),
): Judgement =>
  judgeDishMachine({
    kind: 'stationary-dual',
    wash: { unit: '°C', reading: point(67) },
    rinse: rinse && { unit, reading: rinse },
    pressure: point(120),
    surface: null,
    plate: null,
  })
const of = (j: Judgement, layer: string, quantity: string) =>
  j.layers.filter((l) => l.layer === layer).flatMap((l) => l.limits.filter((x) => x.quantity === quantity))

describe('a rule that is entered', () => {
  it.each([
    [
      'about nothing that is judged',
      { quantity: 'temperature' as never },
      { code: 'rule_about_nothing', field: 'quantity' },
    ],
    [
      'about the cold room, which the table of hours holds',
      { quantity: 'room' as const, unit: '°C' },
      { code: 'rule_about_nothing', field: 'quantity' },
    ],
    [
      'in a unit that it is never read in',
      { unit: 'kPa' },
      { code: 'rule_about_nothing', field: 'quantity' },
    ],
    ['without a reason', { reason: '  a ' }, { code: 'reason_missing', field: 'reason' }],
    ['that limits nothing', { limit: { lo: null, hi: null } }, { code: 'limit_missing', field: 'limit' }],
  ])('%s is refused', (_, change, why) => expect(refused(() => checkLocalRule(rule(change)))).toEqual(why))
  it.each([
    ['at least', { limit: atLeast(85) }],
    ['at most', { limit: atMost(85) }],
    ['with three letters of reason', { reason: 'by4' }],
    [
      'that replaces a section by its old name',
      { quantity: 'temperature' as never, effect: { kind: 'replaces' as const, section: '4-501.19' } },
    ],
  ])('%s stands as it is', (_, change) => expect(checkLocalRule(rule(change))).toEqual(rule(change)))
  it('can be about everything that is judged but the cold room', () => {
    expect(ruledQuantities).not.toContain('room')
    for (const q of ['rinse', 'coliform'] as const) expect(ruledQuantities).toContain(q)
    expect(ruledQuantities).toHaveLength(22)
  })
})

describe('the rules in force', () => {
  it('hold from their first instant to before their last', () => {
    const r = { from: instant(10), until: instant(20) }
    expect([9, 10, 19, 20].map((at) => inForce(r, instant(at)))).toEqual([false, true, true, false])
    expect(inForce({ ...r, until: null }, instant(9_999))).toBe(true)
  })
  it('come by their ids, those past and to come left out, each about what it names today', () => {
    const rules = [
      rule({ id: 'c' }),
      rule({ id: 'a', quantity: 'temperature' as never, effect: { kind: 'replaces', section: '4-501.19' } }),
      rule({ id: 'b', until: instant(now - day) }),
      rule({ id: 'd', quantity: 'temperature' as never }),
    ]
    expect(rulesInForce(rules, now).map((r) => [r.id, r.quantity])).toEqual([
      ['a', 'washWater'],
      ['c', 'rinse'],
    ])
    expect(rulesInForce([rules[0] as LocalRule], now)[0]).toBe(rules[0])
    expect(rulesInForce(rules.toReversed(), now)).toEqual(rulesInForce(rules, now))
  })
})

describe('a rule laid over a judgement', () => {
  it('that is not in force, or speaks of something else, changes nothing', () => {
    const j = machine()
    expect(withLocalRules(j, [rule({ from: instant(now + 1) })], now)).toBe(j)
    expect(withLocalRules(j, [], now)).toBe(j)
    expect(layLocalRules(j, [rule({ quantity: 'chlorine', unit: 'ppm' })])).toBe(j)
  })
  it('adds its limit, and the stricter wins', () => {
    const j = withLocalRules(machine(), [rule()], now)
    expect(j.overall).toBe('out')
    expect(j.layers.at(-1)).toMatchObject({ layer: 'local', name: 'Harbour', verdict: 'out' })
    expect(of(j, 'local', 'rinse')).toEqual([limitVerdict('rinse', '°C', 'Harbour', atLeast(85), point(83))])
    expect(of(j, 'code', 'rinse').some((l) => l.struck)).toBe(false)
    expect(j.layers[0]).toEqual(machine().layers[0])
  })
  it('replaces its section alone: struck, shown, without a vote, and marked where looser', () => {
    const cold = machine('°C', point(80))
    const j = layLocalRules(cold, [replaces('4-501.112', { limit: interval(78, 95) })])
    expect(of(j, 'code', 'rinse')).toMatchObject([
      { limit: { lo: 82 }, struck: true, looser: true, verdict: 'out' },
      { limit: { hi: 90 }, struck: true, looser: true },
    ])
    expect(of(j, 'code', 'wash')[0]?.struck).toBeUndefined()
    expect(j.layers[0]?.verdict).toBe('in')
    expect([cold.overall, j.overall]).toEqual(['out', 'in'])
  })
  it('is no looser where it lies within what it replaces', () =>
    expect(
      of(layLocalRules(machine(), [replaces('4-501.112', { limit: interval(84, 89) })]), 'code', 'rinse').map(
        (l) => l.looser,
      ),
    ).toEqual([false, false]))
  it('does not strike a section that its name only begins, nor a limit of another quantity, nor one that it only adds to', () => {
    const struck = (r: LocalRule) =>
      layLocalRules(machine(), [r]).layers[0]?.limits.filter((l) => l.struck).length
    expect(struck(replaces('4-501.11'))).toBe(0)
    expect(struck(replaces('4-501.113'))).toBe(0)
    expect(struck(rule())).toBe(0)
    expect(struck(replaces('4-501.110', { quantity: 'wash', limit: atLeast(70) }))).toBe(1)
    expect(struck(replaces('4-501.110(A)', { quantity: 'wash', limit: atLeast(70) }))).toBe(1)
  })
  it('is held in the unit that was read: °F against a rule in °C, kPa against one in psi', () => {
    const j = layLocalRules(machine('°F'), [rule({ limit: interval(85, 90) })])
    expect(of(j, 'local', 'rinse')).toMatchObject([
      { unit: '°F', limit: { lo: 185, hi: 194 }, verdict: 'out' },
    ])
    const p = layLocalRules(machine(), [rule({ quantity: 'pressure', unit: 'psi', limit: atLeast(20) })])
    expect(of(p, 'local', 'pressure')).toMatchObject([{ unit: 'kPa', verdict: 'out' }])
    expect(of(p, 'local', 'pressure')[0]?.limit?.lo).toBeCloseTo(137.895, 2)
    expect(of(p, 'local', 'pressure')[0]?.limit?.hi).toBeNull()
  })
  it('cannot tell where nothing was read', () => {
    const j = layLocalRules(machine('°C', null), [rule()])
    expect(of(j, 'local', 'rinse')).toMatchObject([{ reading: null, verdict: 'cannot-tell' }])
  })
  it('takes the reading where one of several limits holds it', () => {
    const layers = [
      layerVerdict('code', 'c', [
        limitVerdict('rinse', '°C', '4-501.112', atLeast(82), null),
        limitVerdict('rinse', '°F', '4-501.112', atLeast(180), point(200)),
      ]),
    ]
    const j = layLocalRules({ ...machine(), layers }, [rule({ limit: atMost(90) })])
    expect(of(j, 'local', 'rinse')).toMatchObject([{ unit: '°F', reading: { lo: 200 }, verdict: 'out' }])
  })
  it('a layer all struck is in, and has no vote', () => {
    const layers = [
      layerVerdict('code', 'c', [limitVerdict('rinse', '°C', '4-501.112', atLeast(82), point(60))]),
    ]
    const j = layLocalRules({ ...machine(), layers }, [replaces('4-501.112', { limit: atLeast(50) })])
    expect(j.layers.map((l) => l.verdict)).toEqual(['in', 'in'])
    expect(j.overall).toBe('in')
    expect(judgedAnew(j, j.layers).layers.map((l) => l.verdict)).toEqual(['in', 'in'])
  })
  it('judged anew, what is struck has no vote and what is not has', () => {
    const [struck, held] = [
      { ...limitVerdict('rinse', '°C', 's', atLeast(82), point(60)), struck: true },
      limitVerdict('rinse', '°C', 's', atMost(90), point(89)),
    ]
    const anew = (limits: (typeof held)[]) =>
      judgedAnew(machine(), [{ ...layerVerdict('code', 'c', limits) }])
    expect(anew([struck, held])).toMatchObject({ overall: 'in', layers: [{ verdict: 'in' }] })
    expect(anew([{ ...struck, struck: false }, held])).toMatchObject({
      overall: 'out',
      layers: [{ verdict: 'out' }],
    })
  })
})

describe('a reading against a limit', () => {
  it('that has neither end cannot be judged; one open end can', () => {
    expect(judgeInterval(null, atLeast(5))).toBe('cannot-tell')
    expect(judgeInterval({ lo: null, hi: null }, atLeast(5))).toBe('cannot-tell')
    expect(judgeInterval(atLeast(6), atLeast(5))).toBe('in')
    expect(judgeInterval(atMost(4), atLeast(5))).toBe('out')
    expect(judgeInterval(atMost(6), atLeast(5))).toBe('too-close')
  })
  it('is told how far it lies inside or outside, by its nearer end', () => {
    expect(distanceTo(interval(6, 8), interval(5, 20))).toBe(1)
    expect(distanceTo(interval(17, 18), interval(5, 20))).toBe(2)
    expect(distanceTo(point(3), atLeast(5))).toBe(-2)
    expect(distanceTo(point(23), atMost(20))).toBe(-3)
    expect(distanceTo(point(0), interval(-5, 10))).toBe(5)
    expect(distanceTo(point(0), interval(-15, 10))).toBe(10)
    expect(distanceTo(atLeast(6), atMost(20))).toBeNull()
    expect(distanceTo(atMost(6), atLeast(5))).toBeNull()
    expect(distanceTo(point(6), { lo: null, hi: null })).toBeNull()
  })
})

describe('the ppm that all limits allow together', () => {
  const allowed = (limits: [number | null, number | null, string, boolean?][]) =>
    allowedStrength({
      layers: [
        layerVerdict(
          'code',
          'c',
          limits.map(([lo, hi, quantity, struck]) => ({
            ...limitVerdict(quantity as 'quat', 'ppm', 's', { lo, hi }, null),
            ...(struck ? { struck } : {}),
          })),
        ),
      ],
    })
  it.each([
    [
      'the highest least and the lowest most',
      [
        [50, null, 'chlorine'],
        [null, 200, 'chlorine'],
        [100, 300, 'strength'],
      ],
      { lo: 100, hi: 200 },
    ],
    [
      'of iodine and quat too',
      [
        [12.5, 25, 'iodine'],
        [20, 30, 'quat'],
      ],
      { lo: 20, hi: 25 },
    ],
    ['one strength alone, where they meet in it', [[100, 100, 'quat']], { lo: 100, hi: 100 }],
    [
      'none, where they leave nothing',
      [
        [150, 400, 'quat'],
        [10, 100, 'strength'],
      ],
      null,
    ],
    ['none, where nothing bounds it above', [[50, null, 'chlorine']], null],
    ['none, where no strength is named', [[6, 8, 'pH']], null],
    [
      'without those that are struck',
      [
        [50, 100, 'quat', true],
        [150, 400, 'strength'],
      ],
      { lo: 150, hi: 400 },
    ],
    ['from nothing up, where only the most is named', [[null, 200, 'chlorine']], { lo: 0, hi: 200 }],
  ] as [string, [number | null, number | null, string, boolean?][], unknown][])('%s', (_, limits, band) =>
    expect(allowed(limits)).toEqual(band),
  )
  it('none, where its only limit cannot be named', () => {
    const j = judgeSanitizer(modelCode, {
      agent: 'other',
      strength: null,
      temperature: null,
      ph: null,
      hardness: null,
      label: null,
    })
    expect(allowedStrength(j)).toBeNull()
  })
})

describe('an instrument', () => {
  const strip = { name: 's', unit: 'ppm' as const, blocks: [0, 50, 100], bestBefore: now }
  const unknown = { code: 'strip_block_unknown', field: 'strip' }
  it('a strip is good to its very date, and void past it', () => {
    expect(stripReading(strip, { matches: 50 }, now)).toEqual({ lo: 25, hi: 75 })
    expect(refused(() => stripReading(strip, { matches: 50 }, instant(now + 1)))).toEqual({
      code: 'strip_void',
      field: 'strip',
    })
    expect(stripReading({ ...strip, bestBefore: undefined }, { matches: 50 }, instant(now + 1))).toEqual({
      lo: 25,
      hi: 75,
    })
  })
  it.each([
    ['a block that is not on its card', { matches: 60 }],
    ['a gap that skips a block', { between: [0, 100] as const }],
    ['a gap from a block that is not on its card', { between: [60, 0] as const }],
    ['a colour beyond a block that is not the darkest', { darkerThan: 50 }],
  ])('%s tells nothing', (_, pick) => expect(refused(() => stripReading(strip, pick, now))).toEqual(unknown))
  it('the ice point: as far off as 4-203.11 allows a food thermometer, and no further', () => {
    expect(icePoint(1, '°C')).toEqual({ off: 1, verdict: 'in' })
    expect(icePoint(-1.01, '°C')).toMatchObject({ verdict: 'out' })
    expect(icePoint(34, '°F')).toEqual({ off: 2, verdict: 'in' })
    expect(icePoint(34.1, '°F')).toMatchObject({ verdict: 'out' })
  })
  it('is read as a point to its very date, as exact as the code asks', () => {
    const probe = { name: 'p', unit: '°C' as const, accuracy: 1, checkDue: now }
    expect(instrumentReading(5, '°C', probe, now, 'food')).toEqual(point(5))
    expect(instrumentReading(5, '°C', probe, instant(now + 1), 'food')).toEqual(interval(4, 6))
    expect(instrumentReading(5, '°C', { ...probe, accuracy: 1.1 }, now, 'food')).toEqual(interval(3.9, 6.1))
  })
})
