import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { atLeast, instant, interval, point, type Interval } from '../quantity/index.ts'
import { Refusal } from '../refusal/index.ts'
import * as rules from '../rules/index.ts'

const { modelCode } = rules
const label: rules.LabelUse = {
  name: 'label',
  range: { lo: 1, hi: 1000 },
  temperature: null,
  hardestWater: null,
  contactSeconds: null,
}
const chlorine = (
  strength: Interval | null,
  t: number | null,
  unit: '°C' | '°F',
  ph: number | null,
  use = label,
) =>
  rules.judgeSanitizer(modelCode, {
    agent: 'chlorine',
    strength,
    temperature: t === null ? null : { unit, reading: point(t) },
    ph: ph === null ? null : point(ph),
    hardness: null,
    label: use,
  })

describe('chlorine: FDA Food Code 2022, 4-501.114(A)', () => {
  // available chlorine, pH, minimum °C, minimum °F: every row, at, just below and just above
  const rows = [
    [25, 10, 49, 120],
    [25, 8, 49, 120],
    [49, 8, 49, 120],
    [50, 10, 38, 100],
    [50, 8, 24, 75],
    [99, 8, 24, 75],
    [100, 10, 13, 55],
    [100, 8, 13, 55],
    [200, 10, 13, 55],
  ] as const
  it.each(rows)('%d mg/L at pH %d needs %d °C (%d °F)', (mgL, ph, c, f) => {
    for (const [unit, limit] of [
      ['°C', c],
      ['°F', f],
    ] as const) {
      expect(chlorine(point(mgL), limit, unit, ph).overall).toBe('in')
      expect(chlorine(point(mgL), limit + 0.1, unit, ph).overall).toBe('in')
      expect(chlorine(point(mgL), limit - 0.1, unit, ph).overall).toBe('out')
    }
  })
  it.each([
    [24.9, 7, 60, 'out'],
    [100, 10.1, 60, 'out'],
    [200.1, 7, 60, 'out'],
    [50, 8.1, 24, 'out'],
  ])('%d mg/L at pH %d and %d °C is %s', (mgL, ph, t, verdict) => {
    expect(chlorine(point(mgL), t, '°C', ph).overall).toBe(verdict)
  })
  it('a reading astride a limit is too close, and the layer that says so is named', () => {
    const judged = chlorine(interval(50, 100), 31, '°C', 7, { ...label, range: { lo: 100, hi: 200 } })
    expect(judged.overall).toBe('too-close')
    expect(judged.layers.map((l) => [l.layer, l.verdict])).toEqual([
      ['code', 'in'],
      ['label', 'too-close'],
    ])
  })
  it('warm water makes up for little chlorine only down to 25 mg/L', () => {
    expect(rules.leastChlorine(modelCode, 60, '°C', 7)).toBe(25)
    expect(rules.leastChlorine(modelCode, 12, '°C', 7)).toBeNull()
  })
  it('no value inside a reading judged in is out, and none inside one judged out is in', () => {
    const readings = fc.record({
      lo: fc.integer({ min: 0, max: 250 }),
      width: fc.integer({ min: 0, max: 60 }),
      t: fc.integer({ min: 5, max: 60 }),
      ph: fc.integer({ min: 5, max: 11 }),
      phWidth: fc.constantFrom(0, 1),
    })
    fc.assert(
      fc.property(readings, ({ lo, width, t, ph, phWidth }) => {
        const whole = rules.judgeSanitizer(modelCode, {
          agent: 'chlorine',
          strength: interval(lo, lo + width),
          temperature: { unit: '°C', reading: point(t) },
          ph: interval(ph, ph + phWidth),
          hardness: null,
          label,
        }).overall
        if (whole === 'too-close') return true
        return [0, 0.3, 0.5, 1].every((a) =>
          [0, 0.5, 1].every(
            (b) => chlorine(point(lo + width * a), t, '°C', ph + phWidth * b).overall === whole,
          ),
        )
      }),
      { numRuns: 600 },
    )
  })
})

describe('quat and iodine: FDA Food Code 2022, 4-501.114(B) and (C)', () => {
  const judge = (
    agent: 'quat' | 'iodine',
    mgL: number,
    t: number,
    ph: number,
    hard: number,
    use: rules.LabelUse | null,
  ) =>
    rules.judgeSanitizer(modelCode, {
      agent,
      strength: point(mgL),
      temperature: { unit: '°C', reading: point(t) },
      ph: point(ph),
      hardness: point(hard),
      label: use,
    }).overall
  const quat = { ...label, range: { lo: 150, hi: 400 } }
  it.each([
    ['at the label and the limits', 150, 24, 500, 'in'],
    ['below the label', 149, 24, 500, 'out'],
    ['above the label', 401, 24, 500, 'out'],
    ['too cold', 200, 23.9, 500, 'out'],
    ['in water too hard', 200, 24, 501, 'out'],
  ])('quat %s', (_, mgL, t, hard, verdict) => expect(judge('quat', mgL, t, 7, hard, quat)).toBe(verdict))
  it('quat without its label cannot be told: the label is the rule', () => {
    expect(judge('quat', 200, 30, 7, 100, null)).toBe('cannot-tell')
  })
  it.each([
    [12.5, 20, 5, 'in'],
    [25, 20, 5, 'in'],
    [12.4, 20, 5, 'out'],
    [25.1, 20, 5, 'out'],
    [20, 19.9, 5, 'out'],
    [20, 20, 5.1, 'out'],
  ])('iodine %d mg/L at %d °C and pH %d is %s', (mgL, t, ph, verdict) =>
    expect(judge('iodine', mgL, t, ph, 0, label)).toBe(verdict),
  )
})

describe('what is missing', () => {
  it('makes it cannot tell, never a pass, and says what it could change', () => {
    const judged = chlorine(point(100), 30, '°C', null)
    expect(judged.overall).toBe('cannot-tell')
    expect(judged.missing).toEqual([{ quantity: 'pH', best: 'in', worst: 'out' }])
    expect(chlorine(null, 30, '°C', 7).missing.map((m) => m.quantity)).toEqual(['strength'])
  })
  it('does not hide what is out whatever it was', () => {
    expect(chlorine(point(10), 30, '°C', null).overall).toBe('out')
  })
  it('the strictest wins: out, cannot tell, too close, in', () => {
    expect(rules.strictest(['in', 'too-close', 'cannot-tell', 'out'])).toBe('out')
    expect(rules.strictest(['in', 'too-close', 'cannot-tell'])).toBe('cannot-tell')
    expect(rules.strictest([])).toBe('cannot-tell')
  })
})

describe('contact time: FDA Food Code 2022, 4-703.11(C)', () => {
  const time = (agent: rules.Agent, mgL: number, t: number, ph: number, contact: number | null = null) =>
    rules.contactSeconds(modelCode, {
      agent,
      strength: point(mgL),
      temperature: { unit: '°C', reading: point(t) },
      ph: point(ph),
      hardness: null,
      label: { ...label, contactSeconds: contact },
    })
  it.each([
    ['chlorine', 100, 20, 7, null, 10],
    ['chlorine', 50, 38, 10, null, 7],
    ['chlorine', 50, 24, 8, null, 7],
    ['chlorine', 50, 37.9, 10, null, 10],
    ['chlorine', 49, 40, 8, null, 10],
    ['quat', 200, 24, 7, null, 30],
    ['quat', 200, 24, 7, 60, 60],
  ] as const)('%s %d mg/L, %d °C, pH %d, label %s: %d s', (agent, mgL, t, ph, contact, s) => {
    expect(time(agent, mgL, t, ph, contact)).toBe(s)
  })
})

describe('strips (common practice, no source)', () => {
  const strip: rules.Strip = {
    name: 's',
    blocks: [0, 50, 100, 150, 200],
    unit: 'ppm',
    bestBefore: instant(1000),
  }
  it.each([
    [{ matches: 100 }, interval(75, 125)],
    [{ matches: 0 }, interval(0, 25)],
    [{ matches: 200 }, atLeast(175)],
    [{ between: [50, 100] as const }, interval(50, 100)],
  ])('%j', (pick, expected) => {
    const read = rules.stripReading(strip, pick as rules.StripPick, instant(0))
    if (expected.hi === null) expect(read.hi).toBeNull()
    else expect(read).toEqual(expected)
  })
  it('past its date, or with a block that is not on its card, tells nothing', () => {
    expect(() => rules.stripReading(strip, { matches: 100 }, instant(1001))).toThrow(Refusal)
    expect(() => rules.stripReading(strip, { matches: 70 }, instant(0))).toThrow(Refusal)
    expect(() => rules.stripReading(strip, { between: [50, 150] }, instant(0))).toThrow(Refusal)
  })
})

describe('thermometers: FDA Food Code 2022, 4-203.12', () => {
  const good: rules.Instrument = { name: 'probe', unit: '°C', accuracy: 0.5, checkDue: instant(1000) }
  it('accurate and in date, is read as a point; else as wide as its accuracy', () => {
    expect(rules.instrumentReading(24, '°C', good, instant(0), 'water')).toEqual(point(24))
    expect(rules.instrumentReading(24, '°C', good, instant(1001), 'water')).toEqual(interval(23.5, 24.5))
    const coarse = { ...good, accuracy: 2 }
    expect(rules.instrumentReading(24, '°C', coarse, instant(0), 'water')).toEqual(interval(22, 26))
    expect(rules.instrumentReading(24, '°C', null, instant(0), 'water')).toEqual(interval(22.5, 25.5))
  })
  it('food is read finer than water: 4-203.11', () => {
    const forWater = { ...good, accuracy: 1.2 }
    expect(rules.instrumentReading(4.5, '°C', forWater, instant(0), 'water')).toEqual(point(4.5))
    expect(rules.instrumentReading(4.5, '°C', forWater, instant(0), 'food')).toEqual(interval(3.3, 5.7))
    expect(rules.instrumentReading(40, '°F', null, instant(0), 'food')).toEqual(interval(38, 42))
  })
  it('one that failed in melting ice tells nothing', () => {
    expect(rules.instrumentReading(24, '°C', { ...good, failed: true }, instant(0), 'water')).toBeNull()
  })
})

describe('cold product: FDA Food Code 2022, 3-501.16(A)(2)', () => {
  it.each([
    [5, '°C', 'in'],
    [5.1, '°C', 'out'],
    [41, '°F', 'in'],
    [41.1, '°F', 'out'],
  ] as const)('%d %s is %s, in the unit of the thermometer', (value, unit, verdict) => {
    expect(rules.judgeColdProduct(modelCode, unit, point(value)).overall).toBe(verdict)
    expect(rules.rerunFit(value, unit).cold).toBe(verdict === 'in')
  })
  it('not read at all cannot be told', () => {
    expect(rules.judgeColdProduct(modelCode, '°C', null).overall).toBe('cannot-tell')
  })
})
