import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { interval, millilitres, ppm, within, type Interval } from '../../quantity/index.ts'
import {
  correct,
  measuresFor,
  topUp,
  type Correction,
  type MeasuringTool,
  type Supply,
} from '../../solution/index.ts'

const tool = (name: string, capacity: number, graduation: number, error: number): MeasuringTool => ({
  name,
  capacity: millilitres(capacity),
  graduation: millilitres(graduation),
  error: millilitres(error),
})
const beaker = tool('beaker', 50, 1, 0.5)
const fine = tool('syringe', 100, 0.1, 0)
const jug = tool('jug', 1000, 50, 10)
const liquid = (stock: number): Supply => ({ kind: 'strength', stock: ppm(stock) })
const kit = (tools: MeasuringTool[], scales: { name: string; graduation: number; error: number }[] = []) => ({
  tools,
  scales,
})
const at = (value: number) => interval(value, value)
const bath = (volume: number | null, capacity: number | null, reading: Interval) => ({
  volume: volume === null ? null : millilitres(volume),
  capacity: capacity === null ? null : millilitres(capacity),
  reading,
})
const label = { lo: 100, hi: 200 }
const way = (b: ReturnType<typeof bath>, supply: Supply, band = label, tools = [beaker]): Correction =>
  correct(b, supply, band, measuresFor(supply, kit(tools, [{ name: 'scale', graduation: 1, error: 0.5 }])))

describe('the way back into the band', () => {
  it('30 L at 100 ppm with 10 % stock, wanted 200: 30.1 mL (mass balance)', () => {
    const move = way(bath(30_000, 40_000, at(100)), liquid(100_000), { lo: 190, hi: 210 }, [fine])
    expect(move).toMatchObject({ move: 'strengthen', safe: true, unit: 'mL', tool: 'syringe' })
    expect(move.amount).toBeCloseTo(30.1, 1)
  })
  it('30 L at 400 ppm, wanted 200: 30 L of water, or 15 L drained where there is no room (mass balance)', () => {
    const band = { lo: 190, hi: 210 }
    expect(way(bath(30_000, 80_000, at(400)), liquid(100_000), band)).toMatchObject({
      move: 'weaken',
      amount: 30_000,
      safe: true,
    })
    expect(way(bath(30_000, 31_000, at(400)), liquid(100_000), band)).toMatchObject({
      move: 'drain-refill',
      amount: 15_000,
      safe: true,
    })
  })
  it('a strip between 50 and 100 under a label of 100 to 200 gets one addition that is safe for the whole reading', () => {
    const move = way(bath(3800, 10_000, interval(50, 100)), liquid(25_000))
    expect(move).toMatchObject({ move: 'strengthen', safe: true, why: 'fits' })
    expect(move.after && within(move.after, interval(100, 200))).toBe(true)
  })
  it('a reading as wide as the band gets a first part, then a test', () => {
    const move = way(bath(3800, 10_000, interval(0, 120)), liquid(25_000))
    expect(move).toMatchObject({ move: 'strengthen', safe: false, why: 'first-part' })
    expect(move.after?.hi).toBeLessThanOrEqual(200)
  })
  it('tablets are counted, whole or in halves; powder is weighed', () => {
    const tablets: Supply = { kind: 'pieces', active: 500, mayBeHalved: false }
    expect(way(bath(10_000, 12_000, interval(50, 75)), tablets, { lo: 100, hi: 200 })).toMatchObject({
      move: 'strengthen',
      amount: 2,
      unit: 'pieces',
      tool: null,
      after: { lo: 150, hi: 175 },
    })
    const powder: Supply = { kind: 'powder', active: 0.35 }
    expect(way(bath(10_000, 12_000, interval(50, 75)), powder)).toMatchObject({
      unit: 'g',
      tool: 'scale',
      safe: true,
    })
  })
  it.each([
    [
      'is soiled',
      { ...bath(3800, 10_000, interval(50, 80)), spoiled: 'soiled' as const },
      liquid(25_000),
      'spoiled',
    ],
    [
      'may be below the band or above it',
      bath(3800, 10_000, interval(50, 250)),
      liquid(25_000),
      'reading-too-wide',
    ],
    ['reads "50 or more"', bath(3800, 10_000, interval(50, null)), liquid(25_000), 'reading-too-wide'],
    ['is full', bath(3800, 3801, interval(50, 80)), liquid(25_000), 'no-room'],
    [
      'is weak and nobody knows how much it is',
      bath(null, null, interval(50, 80)),
      liquid(25_000),
      'volume-unknown',
    ],
    [
      'is weak and its label names no strength',
      bath(3800, 10_000, interval(50, 80)),
      { kind: 'ratio', parts: 100, meaning: 'to' } as const,
      'strength-unknown',
    ],
  ])('is to mix anew where it %s', (_, wrong, supply, why) => {
    expect(way(wrong, supply)).toMatchObject({ move: 'remix', why, after: null })
  })
  it('one mark of a coarse tool in a small bath passes the maximum: a finer tool, and that reason', () => {
    const small = bath(1000, 2000, interval(50, 80))
    expect(way(small, liquid(60_000), label, [jug])).toMatchObject({ move: 'remix', why: 'tool-too-coarse' })
    expect(way(small, liquid(60_000), label, [jug, fine])).toMatchObject({
      move: 'strengthen',
      tool: 'syringe',
    })
    expect(way(small, liquid(60_000), label, [])).toMatchObject({ move: 'remix', why: 'no-tool' })
  })
  it('"350 or more" is not in a band of 150 to 400: a half is poured off, and what is left stays open above', () => {
    const move = way(bath(10_000, 12_000, interval(350, null)), liquid(25_000), { lo: 150, hi: 400 })
    expect(move).toMatchObject({ move: 'drain-refill', safe: false, after: { hi: null } })
    expect(move.after?.lo).toBeGreaterThanOrEqual(150)
  })
  it('too strong and of unknown volume: a half is poured off and refilled', () => {
    expect(way(bath(null, null, at(300)), liquid(25_000))).toMatchObject({
      move: 'drain-refill',
      amount: 0.5,
      unit: 'share',
      safe: true,
    })
  })
  it('a top-up never passes the band, however strong the bath is within its reading', () => {
    const filled = topUp(
      millilitres(5000),
      interval(100, 200),
      millilitres(6000),
      ppm(25_000),
      ppm(200),
      label,
    )
    expect(filled.after.hi).toBeLessThanOrEqual(200.000001)
  })
})

const measured = fc.record({
  graduation: fc.constantFrom(0.1, 0.5, 1, 2, 5, 10, 25, 50),
  capacity: fc.integer({ min: 5, max: 2000 }),
  error: fc.double({ min: 0, max: 10, noNaN: true }),
})
const supplies: fc.Arbitrary<Supply> = fc.oneof(
  fc.integer({ min: 1000, max: 150_000 }).map(liquid),
  fc.record({ kind: fc.constant('powder' as const), active: fc.double({ min: 0.01, max: 1, noNaN: true }) }),
  fc.record({
    kind: fc.constant('pieces' as const),
    active: fc.integer({ min: 5, max: 5000 }),
    mayBeHalved: fc.boolean(),
  }),
)
const cases = fc.record({
  volume: fc.integer({ min: 200, max: 80_000 }),
  lo: fc.integer({ min: 0, max: 500 }),
  width: fc.integer({ min: 0, max: 150 }),
  open: fc.boolean(),
  supply: supplies,
  tools: fc.array(measured, { minLength: 1, maxLength: 4 }),
  band: fc
    .tuple(fc.integer({ min: 20, max: 300 }), fc.integer({ min: 1, max: 300 }))
    .map(([lo, wide]) => ({ lo, hi: lo + wide })),
  at: fc.double({ min: 0, max: 1, noNaN: true }),
  off: fc.double({ min: -1, max: 1, noNaN: true }),
})
const cap = 1e6

describe('for 100 000 random baths', () => {
  it('no addition passes the maximum wherever the bath is in its reading, and a safe move ends in the band', () => {
    fc.assert(
      fc.property(cases, ({ volume, lo, width, open, supply, tools, band, at: where, off }) => {
        const hi = lo + width
        const read = interval(lo, open && hi > band.hi ? null : hi)
        const named = tools.map((t, i) =>
          tool(`t${i}`, Math.max(t.capacity, t.graduation), t.graduation, t.error),
        )
        const scales = tools.map((t, i) => ({ name: `s${i}`, graduation: t.graduation, error: t.error }))
        if (supply.kind === 'strength' && supply.stock <= band.hi) return true
        const m = correct(
          bath(volume, cap, read),
          supply,
          band,
          measuresFor(supply, { tools: named, scales }),
        )
        if (m.move === 'none' || m.move === 'remix') return true
        const was = lo + width * where
        if (m.move !== 'strengthen') {
          const wet = m.unit === 'mL' ? m.amount : 0
          const left = m.move === 'weaken' ? volume / (volume + wet) : 1 - wet / volume
          return !m.safe || (was * left >= band.lo - 1e-6 && was * left <= band.hi + 1e-6)
        }
        const used = named.find((t) => t.name === m.tool)
        const scale = scales.find((s) => s.name === m.tool)
        const error = used ? used.error * Math.ceil(m.amount / used.capacity - 1e-9) : (scale?.error ?? 0)
        const added = Math.max(0, m.amount + off * error)
        const becomes =
          supply.kind === 'strength'
            ? (was * volume + supply.stock * added) / (volume + added)
            : supply.kind === 'powder'
              ? was + (added * supply.active * 1e6) / volume
              : was + (added * (supply.kind === 'pieces' ? supply.active : 0) * 1000) / volume
        return m.amount > 0 && becomes <= band.hi + 1e-6 && (!m.safe || becomes >= band.lo - 1e-6)
      }),
      { numRuns: 100_000 },
    )
  })
})
