import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { atLeast, atMost, instant, interval, point, toPsi } from '../../quantity/index.ts'
import * as rules from '../../rules/index.ts'
import { mayPour } from '../../solution/index.ts'

const { modelCode } = rules
const c = (value: number) => ({ unit: '°C' as const, reading: point(value) })

describe('a strip (common practice, no source)', () => {
  const strip = { name: 'strip', blocks: [50, 100, 200], unit: 'ppm' as const }
  const read = (pick: rules.StripPick) => rules.stripReading(strip, pick, instant(0))
  it('"matches the palest" is no floor: it reaches from nothing up to the middle', () => {
    expect(read({ matches: 50 })).toEqual(interval(0, 75))
    expect(rules.stripReading({ ...strip, unit: 'pH' }, { matches: 50 }, instant(0))).toEqual(
      interval(null, 75),
    )
  })
  it('"matches the darkest" and "darker than the darkest" stay open above', () => {
    expect(read({ matches: 200 })).toEqual(interval(150, null))
    expect(read({ darkerThan: 200 })).toEqual(interval(200, null))
    expect(() => read({ darkerThan: 100 })).toThrow()
  })
  it('that reads the palest never passes a label that begins there', () => {
    const label = {
      name: 'l',
      range: { lo: 50, hi: 200 },
      temperature: null,
      hardestWater: null,
      contactSeconds: null,
    }
    const judged = rules.judgeSanitizer(modelCode, {
      agent: 'other',
      strength: read({ matches: 50 }),
      temperature: null,
      ph: null,
      hardness: null,
      label,
    })
    expect(judged.overall).toBe('too-close')
  })
})

describe('pressure, each gauge in its own unit: FDA Food Code 2022, 4-501.113', () => {
  const machine = (pressure: number, pressureUnit: 'kPa' | 'psi', plate: rules.DataPlate | null = null) =>
    rules.judgeDishMachine({
      kind: 'stationary-dual',
      wash: c(66),
      rinse: c(83),
      pressure: point(pressure),
      pressureUnit,
      surface: null,
      plate,
    }).overall
  it.each([
    [5, 'psi', 'in'],
    [30, 'psi', 'in'],
    [4.9, 'psi', 'out'],
    [30.1, 'psi', 'out'],
    [35, 'kPa', 'in'],
    [200, 'kPa', 'in'],
    [34, 'kPa', 'out'],
    [201, 'kPa', 'out'],
  ] as const)('%d %s is %s', (value, unit, verdict) => expect(machine(value, unit)).toBe(verdict))
  it('is held to the data plate in the unit of the gauge too', () => {
    const plate = { wash: null, rinse: null, pressure: { lo: 103, hi: 172 } }
    expect(machine(20, 'psi', plate)).toBe('in')
    expect(machine(12, 'psi', plate)).toBe('out')
    expect(toPsi(103.421355)).toBeCloseTo(15, 9)
  })
})

describe('a hot-water machine read at the surface (common practice, no source)', () => {
  const machine = (practice: rules.HotWaterPractice, rinse: number | null, surface: number | null) =>
    rules.judgeDishMachine({
      kind: 'stationary-dual',
      wash: c(66),
      rinse: rinse === null ? null : c(rinse),
      pressure: null,
      surface: surface === null ? null : c(surface),
      plate: null,
      practice,
    }).overall
  it('needs no manifold where that is the practice', () => expect(machine('surface', null, 72)).toBe('in'))
  it('cannot be told without the surface', () => expect(machine('surface', null, null)).toBe('cannot-tell'))
  it('is out where the manifold was read all the same and is too cold', () =>
    expect(machine('surface', 70, 72)).toBe('out'))
  it('cannot be told without the manifold under any other practice', () =>
    expect(machine('manifold', null, 72)).toBe('cannot-tell'))
  it('a practice never turns an out into an in', () => {
    const degrees = fc.option(fc.integer({ min: 40, max: 100 }))
    fc.assert(
      fc.property(degrees, degrees, (rinse, surface) => {
        const strict = machine('manifold', rinse, surface)
        return strict !== 'out' || machine('surface', rinse, surface) === 'out'
      }),
    )
  })
})

describe('what nothing can rescue is out', () => {
  it('water too cold for every row of the chlorine table, whatever pH and strength', () => {
    const cold = rules.judgeSanitizer(modelCode, {
      agent: 'chlorine',
      strength: null,
      temperature: c(12),
      ph: null,
      hardness: null,
      label: null,
    })
    expect(cold.overall).toBe('out')
  })
  it.each([
    ['refrigerated', null, 30, 'out'],
    ['refrigerated', null, 24, 'cannot-tell'],
    ['refrigerated', interval(4, 6), 22, 'too-close'],
    ['refrigerated', interval(4, 6), 25, 'out'],
    ['refrigerated', interval(4, 6), 20, 'in'],
    ['refrigerated', interval(14, 16), 5, 'out'],
    ['room', null, 4.1, 'out'],
  ] as const)('utensils kept %s at %j for %d h: %s (4-602.11)', (kept, room, hours, verdict) => {
    const temperature = room && { unit: '°C' as const, reading: room }
    expect(rules.judgeUtensils({ kept, temperature, hours }).overall).toBe(verdict)
  })
  it('a machine that is out asks for nothing more', () => {
    const judged = rules.judgeDishMachine({
      kind: 'stationary-dual',
      wash: c(50),
      rinse: null,
      pressure: null,
      surface: null,
      plate: null,
    })
    expect(judged).toMatchObject({ overall: 'out', missing: [] })
  })
})

describe('a local rule names what it is about', () => {
  const rule = (quantity: rules.JudgedQuantity, unit: string, limit = atMost(4)): rules.LocalRule => ({
    id: 'r',
    authority: 'Port health',
    effect: { kind: 'adds' },
    quantity,
    unit,
    limit,
    from: instant(0),
    until: null,
    reason: 'as they wrote',
  })
  it('a rule on cold holding leaves wash water alone', () => {
    const washWater = rules.judgeWashWater(c(45), null)
    expect(rules.layLocalRules(washWater, [rule('product', '°C')]).overall).toBe('in')
    const product = rules.judgeColdProduct(modelCode, '°C', point(4.5))
    expect(rules.layLocalRules(product, [rule('product', '°C')]).overall).toBe('out')
  })
  it('a stricter water temperature for chlorine is judged', () => {
    const label = {
      name: 'l',
      range: { lo: 50, hi: 200 },
      temperature: null,
      hardestWater: null,
      contactSeconds: null,
    }
    const judged = rules.judgeSanitizer(modelCode, {
      agent: 'chlorine',
      strength: point(100),
      temperature: c(20),
      ph: point(7),
      hardness: null,
      label,
    })
    expect(judged.overall).toBe('in')
    expect(rules.layLocalRules(judged, [rule('chlorineWater', '°C', atLeast(24))]).overall).toBe('out')
  })
  it('a pressure rule in psi is held to a gauge in kPa', () => {
    const judged = rules.judgeDishMachine({
      kind: 'stationary-dual',
      wash: c(66),
      rinse: c(83),
      pressure: point(60),
      surface: null,
      plate: null,
    })
    expect(rules.layLocalRules(judged, [rule('pressure', 'psi', atLeast(15))]).overall).toBe('out')
  })
  it('is refused where it is about nothing, or in a unit that is never read', () => {
    const old = { ...rule('product', '°C'), quantity: 'temperature' as rules.JudgedQuantity }
    for (const wrong of [rule('product', 'ppm'), rule('pressure', '°C'), old])
      expect(() => rules.checkLocalRule(wrong)).toThrow(
        expect.objectContaining({ code: 'rule_about_nothing' }),
      )
  })
  it('of the time when any temperature was named alike is about the section that it replaced, or nothing', () => {
    const old = { ...rule('product', '°C'), quantity: 'temperature' as rules.JudgedQuantity }
    expect(rules.aboutOf(old)).toBeNull()
    expect(rules.aboutOf({ ...old, effect: { kind: 'replaces', section: '3-501.16(A)(2)' } })).toBe('product')
  })
})

describe('what a correction may aim at', () => {
  it('is what code, label and authority allow together at the water read', () => {
    const label = {
      name: 'l',
      range: { lo: 50, hi: 300 },
      temperature: null,
      hardestWater: null,
      contactSeconds: null,
    }
    const judged = (t: number) =>
      rules.judgeSanitizer(modelCode, {
        agent: 'chlorine',
        strength: point(60),
        temperature: c(t),
        ph: point(7),
        hardness: null,
        label,
      })
    expect(rules.allowedStrength(judged(25))).toEqual({ lo: 50, hi: 200 })
    expect(rules.allowedStrength(judged(15))).toEqual({ lo: 100, hi: 200 })
  })
})

describe('soap and sanitizer never meet, in either order', () => {
  for (const sanitizer of ['hypochlorite', 'quat', 'iodine', 'peroxide'] as const)
    it(sanitizer, () => {
      expect(mayPour('detergent', [sanitizer])).toMatchObject({ may: false, why: 'clash' })
      expect(mayPour(sanitizer, ['detergent'])).toMatchObject({ may: false, why: 'clash' })
    })
})

describe('for 100 000 random readings', () => {
  const readings = fc.record({
    agent: fc.constantFrom<rules.Agent>('chlorine', 'quat', 'iodine', 'other'),
    strength: span(0, 500),
    temperature: fc.option(span(0, 60)),
    ph: fc.option(span(3, 12)),
    hardness: fc.option(span(0, 800)),
    lo: fc.integer({ min: 5, max: 200 }),
    wide: fc.integer({ min: 0, max: 300 }),
    at: fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 4, maxLength: 4 }),
  })
  function span(min: number, max: number) {
    return fc
      .tuple(fc.integer({ min, max }), fc.integer({ min: 0, max: Math.floor((max - min) / 4) }))
      .map(([lo, width]) => interval(lo, lo + width))
  }
  it('no "in" is out at any value within what was read', () => {
    fc.assert(
      fc.property(readings, ({ agent, strength, temperature, ph, hardness, lo, wide, at }) => {
        const label = {
          name: 'l',
          range: { lo, hi: lo + wide },
          temperature: null,
          hardestWater: null,
          contactSeconds: null,
        }
        const judge = (
          pick: (i: { lo: number | null; hi: number | null }, n: number) => ReturnType<typeof interval>,
        ) =>
          rules.judgeSanitizer(modelCode, {
            agent,
            strength: pick(strength, 0),
            temperature: temperature && { unit: '°C', reading: pick(temperature, 1) },
            ph: ph && pick(ph, 2),
            hardness: hardness && pick(hardness, 3),
            label,
          }).overall
        if (judge((i) => i) !== 'in') return true
        const somewhere = judge((i, n) => point((i.lo ?? 0) + ((i.hi ?? 0) - (i.lo ?? 0)) * (at[n] ?? 0)))
        return somewhere === 'in'
      }),
      { numRuns: 100_000 },
    )
  })
})
