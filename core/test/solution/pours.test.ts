import { describe, expect, it } from 'vitest'
import { interval, millilitres, ppm } from '../../quantity/index.ts'
import {
  bestTool,
  correct,
  measureFor,
  mixFor,
  pourWith,
  type Bath,
  type Measure,
  type MeasuringTool,
  type Supply,
} from '../../solution/index.ts'

const mL = millilitres
const tool = (name: string, capacity: number, graduation: number, error: number): MeasuringTool => ({
  name,
  capacity: mL(capacity),
  graduation: mL(graduation),
  error: mL(error),
})
const [syringe, beaker, jug] = [
  tool('syringe', 10, 1, 0.2),
  tool('beaker', 50, 5, 1),
  tool('jug', 500, 50, 5),
]
const stock = ppm(50_000)
const liquid = { kind: 'strength', stock } as Supply

describe('a pour (mass balance)', () => {
  it('is rounded to a mark, off by the tool’s error for each filling', () => {
    // 12 mL in a syringe of 10: two fillings, 0.4 mL either way, into 4 L.
    const pour = pourWith(syringe, mL(12), mL(4000), stock, interval(140, 160))
    expect(pour).toMatchObject({ shown: 12, poured: { lo: 11.6, hi: 12.4 }, holds: true })
    expect(pour.strength?.lo).toBeCloseTo((50_000 * 11.6) / 4011.6)
    expect(pour.strength?.hi).toBeCloseTo((50_000 * 12.4) / 4012.4)
    expect(pourWith(syringe, mL(9), mL(4000), stock, null).poured).toEqual({ lo: 8.8, hi: 9.2 })
  })
  it('of which nobody knows the strength, or the band, holds nothing', () => {
    expect(pourWith(beaker, mL(12), mL(4000), null, interval(1, 2))).toMatchObject({
      strength: null,
      holds: null,
    })
    expect(pourWith(beaker, mL(12), mL(4000), stock, null)).toMatchObject({
      holds: null,
      strength: { lo: expect.any(Number) as number },
    })
  })
  it.each([
    ['the smallest that holds it in one filling', [jug, beaker, syringe], 8, null, 'syringe'],
    ['the next, where the smallest would be filled twice', [jug, beaker, syringe], 20, null, 'beaker'],
    [
      'of two alike the one with finer marks',
      [tool('coarse', 50, 10, 1), tool('fine', 50, 1, 1)],
      20,
      null,
      'fine',
    ],
    [
      'a larger one that keeps the band, where the smaller does not',
      [tool('rough', 50, 25, 10), tool('fair', 500, 5, 1)],
      12,
      interval(130, 170),
      'fair',
    ],
    [
      'the smallest that holds it, where none keeps the band',
      [tool('rough', 50, 25, 10), jug],
      27,
      interval(149, 151),
      'rough',
    ],
    ['the largest, filled again and again, where none holds it', [syringe, beaker], 400, null, 'beaker'],
    ['one that is filled just to its brim', [beaker, syringe], 10, null, 'syringe'],
    ['never one on whose marks it is nothing', [jug, beaker], 20, null, 'beaker'],
  ] as [string, MeasuringTool[], number, ReturnType<typeof interval> | null, string][])(
    'is made with %s',
    (_, tools, exact, band, name) =>
      expect(bestTool(tools, mL(exact), mL(4000), stock, band)?.tool.name).toBe(name),
  )
  it('needs a tool', () => expect(bestTool([], mL(1), mL(1), stock, null)).toBeNull())
})

describe('a mix', () => {
  it('is poured on every tool that shows it, the best first, each once', () => {
    const mix = mixFor(liquid as never, { range: { lo: 100, hi: 200 }, target: 150 }, mL(4000), [
      jug,
      beaker,
      syringe,
    ])
    // 4000 · 150 / 50000 = 12 mL: the jug's first mark is 50.
    expect(mix.dose).toMatchObject({ concentrate: 12, water: 3988, strength: 150 })
    expect(mix.pours.map((p) => [p.tool.name, p.shown, p.holds])).toEqual([
      ['beaker', 10, true],
      ['syringe', 12, true],
    ])
    expect(mix.band).toEqual(interval(100, 200))
  })
  it('of just one mark can be measured', () =>
    expect(mixFor(liquid as never, { range: null, target: 125 }, mL(20_000), [jug]).pours).toHaveLength(1))
  it('without a range holds nothing, and without a strength neither', () => {
    const open = mixFor(liquid as never, { range: null, target: 150 }, mL(4000), [beaker])
    expect([open.band, open.pours[0]?.holds]).toEqual([null, null])
    const dosed = mixFor(
      { kind: 'per-litre', millilitres: mL(3) } as never,
      { range: { lo: 1, hi: 2 }, target: null },
      mL(4000),
      [beaker],
    )
    expect(dosed.pours[0]).toMatchObject({ strength: null, holds: null })
  })
})

describe('what a product comes as', () => {
  const use = { range: { lo: 100, hi: 200 }, target: 150 }
  const kit = { tools: [], scales: [], dispensers: [] }
  it('a pump gives whole strokes, a tap half seconds, each with what it makes', () => {
    const by = (b: 'stroke' | 'second', each: number) => ({ name: b, by: b, millilitres: mL(each) })
    const measured = measureFor(liquid, use, mL(4000), {
      ...kit,
      dispensers: [by('stroke', 5), by('second', 5)],
    })
    if (measured.kind !== 'pour') throw new Error('not poured')
    // 12 mL at 5 a stroke: 2 strokes, 10 mL; at 5 a second: 2.5 s, 12.5 mL.
    expect(measured.delivered.map((d) => [d.count, d.holds, Math.round(d.strength ?? 0)])).toEqual([
      [2, true, 125],
      [2.5, true, 156],
    ])
    const none = measureFor(
      { kind: 'per-litre', millilitres: mL(3) } as Supply,
      { range: null, target: null },
      mL(4000),
      { ...kit, dispensers: [by('stroke', 5)] },
    )
    expect(none.kind === 'pour' && none.delivered[0]).toMatchObject({ strength: null, holds: null, count: 2 })
    const open = measureFor(liquid, { range: null, target: 150 }, mL(4000), {
      ...kit,
      dispensers: [by('stroke', 5)],
    })
    expect(open.kind === 'pour' && open.delivered[0]).toMatchObject({ holds: null })
  })
  it('powder is weighed on every scale, the finest first; without one nobody can tell', () => {
    const powder = { kind: 'powder', active: 0.5 } as Supply
    const scale = (name: string, graduation: number) => ({ name, graduation, error: 0.1 })
    const weighed = measureFor(powder, use, mL(4000), {
      ...kit,
      scales: [scale('kitchen', 1), scale('fine', 0.1)],
    })
    // 0.6 g of agent in 1.2 g of powder.
    expect(weighed.kind === 'weigh' && weighed.weighed.map((w) => [w.scale?.name, w.shown])).toEqual([
      ['fine', 1.2],
      ['kitchen', 1],
    ])
    const bare = measureFor(powder, use, mL(4000), kit)
    expect(bare).toEqual({
      kind: 'weigh',
      weighed: [{ scale: null, shown: 1.2, strength: null, holds: null }],
    })
  })
})

const bath = (lo: number, hi: number | null, change: Partial<Bath> = {}): Bath => ({
  volume: mL(10_000),
  capacity: mL(40_000),
  reading: interval(lo, hi),
  ...change,
})
const measure = (name: string, mark: number, holds: number | null, error: number): Measure => ({
  tool: name,
  unit: 'mL',
  mark,
  holds,
  error,
})
const fine = measure('fine', 1, 100, 0)
const band = { lo: 100, hi: 200 }

describe('the way back (mass balance)', () => {
  it.each([
    // Nothing to do.
    [
      'in already',
      bath(120, 150),
      [fine],
      {
        move: 'none',
        amount: 0,
        unit: 'mL',
        tool: null,
        safe: true,
        why: 'already-in',
        after: { lo: 120, hi: 150 },
      },
    ],
    ['in already, end to end', bath(100, 200), [fine], { move: 'none' }],
    // 10 L at 50 to 150: 10000·100/(50000-150) = 20.06 mL.
    [
      'too weak',
      bath(50, 50),
      [fine],
      { move: 'strengthen', amount: 20, unit: 'mL', tool: 'fine', safe: true, why: 'fits' },
    ],
    [
      'too weak, and nothing to measure with',
      bath(50, 50),
      [],
      { move: 'remix', amount: 0, unit: 'mL', safe: false, why: 'no-tool', after: null },
    ],
    [
      'too weak, and only too coarse a tool',
      bath(50, 50),
      [measure('coarse', 100, 500, 0)],
      { why: 'tool-too-coarse' },
    ],
    ['too weak, and full', bath(50, 50, { capacity: mL(10_010) }), [fine], { why: 'no-room' }],
    [
      'too weak, full to the very mark that is added',
      bath(50, 50, { capacity: mL(10_020) }),
      [fine],
      { move: 'strengthen', amount: 20 },
    ],
    [
      'too weak, of unknown room',
      bath(50, 50, { capacity: null }),
      [fine],
      { move: 'strengthen', amount: 20 },
    ],
    ['too weak, of unknown volume', bath(50, 50, { volume: null }), [fine], { why: 'volume-unknown' }],
    ['from under the band to its very end', bath(50, 200), [fine], { why: 'reading-too-wide' }],
    ['from under the band to beyond it', bath(50, 250), [fine], { why: 'reading-too-wide' }],
    ['open above, from under the band', bath(50, null), [fine], { why: 'reading-too-wide' }],
    // Read so widely that no amount is sure: half of the aim first.
    [
      'too weak, read widely',
      bath(0, 150),
      [fine],
      { move: 'strengthen', amount: 8, safe: false, why: 'first-part' },
    ],
    // 10 L at 400 to 150: 16.7 L of water.
    [
      'too strong',
      bath(400, 400),
      [fine],
      { move: 'weaken', amount: 16_750, unit: 'mL', tool: null, safe: true, why: 'fits' },
    ],
    // No room: pour off 10·(1 - 150/400) = 6.25 L.
    [
      'too strong, and full',
      bath(400, 400, { capacity: mL(10_000) }),
      [fine],
      { move: 'drain-refill', amount: 6250, unit: 'mL', tool: null, safe: true, why: 'fits' },
    ],
    // 10 L at 300 to 600: no water suits both ends; half of the aim of 20 L first.
    [
      'too strong, read widely',
      bath(300, 700),
      [fine],
      { move: 'weaken', safe: false, why: 'first-part', amount: 11_750 },
    ],
    [
      'too strong, nobody knows how much',
      bath(300, 300, { volume: null }),
      [fine],
      { move: 'drain-refill', amount: 0.5, unit: 'share', tool: null, safe: true, why: 'fits' },
    ],
    [
      'too strong, open above',
      bath(400, null),
      [fine],
      { move: 'drain-refill', amount: 5000, unit: 'mL', safe: false, why: 'first-part' },
    ],
    [
      'a little too strong, nobody knows how much',
      bath(210, 230, { volume: null }),
      [fine],
      { move: 'drain-refill', amount: 1 / 3, unit: 'share', safe: true },
    ],
    [
      'just over the band, nobody knows how much, read so widely that any share takes it too low',
      bath(101, 260, { volume: null }),
      [fine],
      { move: 'remix', why: 'reading-too-wide', safe: false },
    ],
    ['spoiled', bath(50, 50, { spoiled: 'soiled' }), [fine], { move: 'remix', why: 'spoiled' }],
  ] as [string, Bath, Measure[], object][])('%s', (_, b, measures, way) =>
    expect(correct(b, liquid, band, measures)).toMatchObject(way),
  )
  it('tells what it will then read, at both ends of the reading and of the tool', () => {
    const way = correct(bath(50, 60), liquid, band, [measure('m', 1, 10, 0.5)])
    // Two fillings of 10 mL: a millilitre either way.
    const after = (from: number, amount: number) => (from * 10_000 + 50_000 * amount) / (10_000 + amount)
    expect(way.amount).toBe(19)
    expect(way.after?.lo).toBeCloseTo(after(50, 18))
    expect(way.after?.hi).toBeCloseTo(after(60, 20))
  })
  it('takes a tool that is filled once before a finer one that is filled often', () => {
    const way = correct(bath(50, 50), liquid, band, [measure('drop', 0.5, 2, 0), measure('once', 2, 50, 0)])
    expect(way).toMatchObject({ tool: 'once', amount: 20 })
    expect(correct(bath(50, 50), liquid, band, [measure('drop', 0.5, 2, 0)])).toMatchObject({
      tool: 'drop',
      amount: 20,
    })
    expect(
      correct(bath(50, 50), liquid, band, [measure('brim', 5, 20, 0), measure('other', 10, 100, 0)]),
    ).toMatchObject({ tool: 'brim', amount: 20 })
  })
  it('of water is measured to the quarter litre, finer in small baths', () => {
    const small = correct(bath(400, 400, { volume: mL(1000), capacity: mL(4000) }), liquid, band, [])
    // A twentieth of it is a mark: 50 mL. 1 L at 400 to 150: 1667 mL.
    expect(small).toMatchObject({ move: 'weaken', amount: 1650 })
    // Half a mark either way.
    expect(small.after?.lo).toBeCloseTo((400 * 1000) / (1000 + 1675))
    expect(small.after?.hi).toBeCloseTo((400 * 1000) / (1000 + 1625))
  })
  it('by a poured share is a twentieth off by eye, either way', () => {
    const way = correct(bath(300, 320, { volume: null }), liquid, band, [])
    expect(way.after).toEqual(interval(300 * 0.45, 320 * 0.55))
    expect(correct(bath(400, null), liquid, band, []).after).toEqual({ lo: 400 * 0.45, hi: null })
  })
})
