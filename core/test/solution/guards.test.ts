import { describe, expect, it } from 'vitest'
import { instant, interval, millilitres, ppm } from '../../quantity/index.ts'
import { refused } from '../refused.ts'
import {
  checkDispenser,
  clashOf,
  concentrateWarnings,
  containerOutlook,
  correct,
  dispenserDrift,
  flowTime,
  freshDose,
  gramsFor,
  mayPour,
  perLitreOf,
  pieceDose,
  powderDose,
  stockOf,
  strengthOf,
  strokeDose,
  topUp,
  vesselsOf,
  type InVessel,
  type LiquidSupply,
  type Stated,
} from '../../solution/index.ts'

const [mL, at] = [millilitres, ppm]
const strong = { kind: 'strength', stock: at(50_000) } as LiquidSupply
const ratio = (parts: number, meaning: 'to' | 'in' = 'to') =>
  ({ kind: 'ratio', parts, meaning }) as unknown as LiquidSupply
const perLitre = { kind: 'per-litre', millilitres: mL(20) } as LiquidSupply
const bath = { capacity: mL(10), reading: interval(1, 2), volume: mL(1) }
const stated = (change: Partial<Stated>): Stated => ({
  value: 5,
  as: '% w/v',
  density: null,
  counts: 'active',
  ...change,
})

describe('what cannot be worked out is refused at its field', () => {
  it.each([
    [
      'a dose for no volume',
      () => freshDose(strong, at(100), mL(0)),
      { code: 'volume_is_zero', field: 'volume' },
    ],
    ['a dose to nothing', () => freshDose(strong, at(0), mL(1)), { code: 'target_is_zero', field: 'target' }],
    [
      'a dose to no strength',
      () => freshDose(strong, null, mL(1)),
      { code: 'target_is_zero', field: 'target' },
    ],
    [
      'a dose stronger than its stock',
      () => freshDose(strong, at(50_000), mL(1)),
      { code: 'stock_too_weak', field: 'target', stock: 50_000, target: 50_000 },
    ],
    [
      'one part in one',
      () => freshDose(ratio(1, 'in'), null, mL(1)),
      { code: 'stock_too_weak', field: 'ratio', parts: 1 },
    ],
    [
      'the strength of nothing',
      () => strengthOf(at(1), mL(0), mL(0)),
      { code: 'volume_is_zero', field: 'volume' },
    ],
    [
      'strokes of nothing',
      () => strokeDose(mL(0), mL(1), mL(1), at(1)),
      { code: 'volume_is_zero', field: 'stroke' },
    ],
    ['a flow of nothing', () => flowTime(mL(0), mL(1)), { code: 'volume_is_zero', field: 'flow' }],
    [
      'a check against nothing',
      () => checkDispenser(mL(1), mL(0), at(1), interval(0, 1)),
      { code: 'volume_is_zero', field: 'expected' },
    ],
    [
      'powder of unknown strength',
      () => powderDose(NaN, at(1), mL(1)),
      { code: 'not_a_number', field: 'active' },
    ],
    [
      'powder without strength',
      () => powderDose(0, at(1), mL(1)),
      { code: 'stock_too_weak', field: 'active', active: 0, target: 1 },
    ],
    [
      'powder stronger than pure',
      () => powderDose(1.1, at(1), mL(1)),
      { code: 'stock_too_weak', field: 'active', active: 1.1, target: 1 },
    ],
    [
      'powder weaker than the target',
      () => powderDose(0.01, at(10_000), mL(1)),
      { code: 'stock_too_weak', field: 'active', active: 0.01, target: 10_000 },
    ],
    ['powder to nothing', () => powderDose(0.5, at(0), mL(1)), { code: 'target_is_zero', field: 'target' }],
    [
      'powder for no volume',
      () => powderDose(0.5, at(1), mL(0)),
      { code: 'volume_is_zero', field: 'volume' },
    ],
    ['grams for no volume', () => gramsFor(3, mL(0)), { code: 'volume_is_zero', field: 'volume' }],
    [
      'tablets of nothing',
      () => pieceDose({ active: 0, mayBeHalved: false }, at(1), mL(1)),
      { code: 'stock_too_weak', field: 'piece' },
    ],
    [
      'tablets to nothing',
      () => pieceDose({ active: 1, mayBeHalved: false }, at(0), mL(1)),
      { code: 'target_is_zero', field: 'target' },
    ],
    [
      'tablets for no volume',
      () => pieceDose({ active: 1, mayBeHalved: false }, at(1), mL(0)),
      { code: 'volume_is_zero', field: 'volume' },
    ],
    [
      'a bath of no volume',
      () => correct({ ...bath, volume: mL(0) }, strong, { lo: 50, hi: 60 }, []),
      { code: 'volume_is_zero', field: 'volume' },
    ],
    [
      'a bath stronger than its stock',
      () => correct(bath, strong, { lo: 100, hi: 50_000 }, []),
      { code: 'stock_too_weak', field: 'stock', stock: 50_000, target: 50_000 },
    ],
    [
      'a top-up to less',
      () => topUp(mL(10), interval(1, 2), mL(10), at(100), at(10), { lo: 5, hi: 20 }),
      { code: 'vessel_too_small', field: 'to' },
    ],
    [
      'a top-up with what is weaker',
      () => topUp(mL(10), interval(1, 2), mL(20), at(10), at(10), { lo: 5, hi: 20 }),
      { code: 'stock_too_weak', field: 'stock', stock: 10, target: 10 },
    ],
    [
      'a top-up of what is open above',
      () => topUp(mL(10), interval(1, null), mL(20), at(100), at(10), { lo: 5, hi: 20 }),
      { code: 'not_a_number', field: 'reading' },
    ],
    [
      'a top-up of what is open below',
      () => topUp(mL(10), { lo: null, hi: 2 }, mL(20), at(100), at(10), { lo: 5, hi: 20 }),
      { code: 'not_a_number', field: 'reading' },
    ],
    [
      'a label of no strength',
      () => stockOf(stated({ value: 0 })),
      { code: 'stock_too_weak', field: 'stock' },
    ],
    [
      'a label over a hundred per cent',
      () => stockOf(stated({ value: 100.1 })),
      { code: 'stock_too_weak', field: 'stock' },
    ],
    [
      'a label over a million ppm',
      () => stockOf(stated({ value: 1_000_001, as: 'ppm' })),
      { code: 'stock_too_weak', field: 'stock' },
    ],
    [
      'per cent by weight without its density',
      () => stockOf(stated({ as: '% w/w' })),
      { code: 'density_missing', field: 'density' },
    ],
    [
      'per cent by weight of no density',
      () => stockOf(stated({ as: '% w/w', density: 0 })),
      { code: 'density_missing', field: 'density' },
    ],
    [
      'so much of nothing to the gallon',
      () => perLitreOf({ amount: 0, unit: 'fl oz', per: 'gal', perAmount: 1 } as never),
      { code: 'volume_is_zero', field: 'amount' },
    ],
  ] as const)('%s', (_, act, why) => expect(refused(act)).toEqual(why))
  it.each([
    ['a pure powder', () => powderDose(1, at(1), mL(1000)), 0.001],
    ['a label of a hundred per cent', () => stockOf(stated({ value: 100 })), 1_000_000],
    ['a million ppm', () => stockOf(stated({ value: 1e6, as: 'ppm' })), 1_000_000],
    ['per cent by weight', () => stockOf(stated({ as: '% w/w', density: 1.2 })), 60_000],
  ] as const)('%s is worked out', (_, act, value) => expect(act()).toBeCloseTo(value, 6))
})

describe('a dose by the label’s own words (arithmetic)', () => {
  it('so much to a litre of water is counted in the whole', () =>
    expect(freshDose(perLitre, null, mL(1020))).toEqual({ concentrate: 20, water: 1000, strength: null }))
  it('one part to nine is one in ten', () => {
    expect(freshDose(ratio(9), null, mL(1000)).concentrate).toBeCloseTo(100)
    expect(freshDose(ratio(10, 'in'), null, mL(1000)).concentrate).toBeCloseTo(100)
  })
})

describe('a dispenser', () => {
  const band = interval(100, 200)
  it('that gives just the ends of the band is in; beyond them it is out', () => {
    const gives = (measured: number) => checkDispenser(mL(measured), mL(10), at(200), band).verdict
    expect(gives(5)).toBe('in')
    expect(gives(4.9)).toBe('out')
    expect(gives(10)).toBe('in')
    expect(gives(10.1)).toBe('out')
    expect(checkDispenser(mL(99), mL(10), at(150), interval(100, null)).verdict).toBe('in')
    expect(checkDispenser(mL(0), mL(10), at(150), { lo: null, hi: 10 }).verdict).toBe('in')
  })
  it('drifts by least squares, and leaves the band in so many checks', () => {
    // Worked by hand: ratios 1, 0.9, 0.8 fall by 0.1 a check; the level is 0.7·(0.7·1 + 0.3·0.9) + 0.3·0.8 = 0.919.
    const drift = dispenserDrift([1, 0.9, 0.8], at(150), band)
    expect(drift?.perCheck).toBeCloseTo(-0.1)
    expect(drift?.level).toBeCloseTo(0.919)
    // 0.919 - 0.1 n under 100/150 = 0.667: at the third check from now.
    expect(drift?.leavesIn).toBe(3)
    expect(dispenserDrift([1, 1.1, 1.2], at(150), band)?.leavesIn).toBe(3)
    expect(dispenserDrift([1, 1.1, 1.2], at(150), interval(100, null))?.leavesIn).toBeNull()
    expect(dispenserDrift([1], at(150), band)).toEqual({ level: 1, perCheck: 0, leavesIn: null })
    expect(dispenserDrift([2], at(150), band)?.leavesIn).toBe(0)
    expect(dispenserDrift([], at(150), band)).toBeNull()
    expect(dispenserDrift([1, 1.2], at(150), band)?.perCheck).toBeCloseTo(0.2)
  })
  it('that just touches the end of the band has not left it', () => {
    expect(dispenserDrift([100 / 150], at(150), band)?.leavesIn).toBeNull()
    expect(dispenserDrift([200 / 150], at(150), band)?.leavesIn).toBeNull()
  })
})

describe('what is in a vessel', () => {
  it.each([
    ['nothing said', [], { may: true }],
    ['clear water and nothing else', ['water', 'empty'], { may: true }],
    ['nobody knows what', ['unknown'], { may: false, why: 'unknown-contents' }],
    ['the same', ['quat'], { may: false, why: 'same-product-stronger' }],
    [
      'after clear water, what clashes',
      ['water', 'hypochlorite'],
      { may: false, why: 'clash', clash: clashOf('quat', 'hypochlorite') },
    ],
    [
      'after what it stands, what clashes',
      ['alkaline', 'acid'],
      { may: false, why: 'clash', clash: clashOf('acid', 'quat') },
    ],
    ['what it stands', ['alkaline'], { may: true }],
  ] as [string, InVessel[], unknown][])('%s', (_, inside, verdict) =>
    expect(mayPour('quat', inside)).toEqual(verdict),
  )
  it('is filled as its plate says, for the use that its family is for', () => {
    expect(vesselsOf('bucket', { bucket: 4000, bucketHolds: 6000 })).toEqual([
      { volume: 4000, holds: 6000, use: 'cloths' },
    ])
    expect(vesselsOf('bottle', { bottle: 750, bucket: 1, bucketHolds: 2 })).toEqual([
      { volume: 750, holds: 750, use: 'cloths' },
    ])
    expect(vesselsOf('sink', { compartment: 38_000 })).toEqual([
      { volume: 38_000, holds: 38_000, use: 'utensils' },
    ])
    expect(vesselsOf('bucket', { bucket: 4000 })).toEqual([])
    expect(vesselsOf('bucket', { bucketHolds: 4000 })).toEqual([])
    expect(vesselsOf('espresso', { bucket: 4000, bucketHolds: 6000 })).toEqual([])
  })
})

describe('a concentrate before it is used', () => {
  const day = 86_400_000
  const now = instant(1000 * day)
  const warned = (
    age: { openedAt?: number; bestBefore?: number; daysOnceOpen?: number },
    hypochlorite = false,
  ) =>
    concentrateWarnings(
      { openedAt: null, bestBefore: null, daysOnceOpen: null, ...age } as Parameters<
        typeof concentrateWarnings
      >[0],
      hypochlorite,
      21,
      now,
    )
  it.each([
    ['with no date at all', {}, ['date-missing']],
    ['on its very date', { bestBefore: now }, []],
    ['past it', { bestBefore: now - 1 }, ['past-best-before']],
    ['open just as long as it may', { openedAt: now - 90 * day, daysOnceOpen: 90 }, []],
    ['open a moment longer', { openedAt: now - 90 * day - 1, daysOnceOpen: 90 }, ['open-too-long']],
    ['open, where its label is silent', { openedAt: now - 900 * day }, []],
    ['with days allowed and no date of opening', { daysOnceOpen: 1, bestBefore: now }, []],
  ])('%s', (_, age, warnings) => expect(warned(age)).toEqual(warnings))
  it('a hypochlorite weakens in its store: a tenth in under half a year at 21 °C (from memory)', () => {
    // 0.8^(d/365) = 0.9 at d = 172.3 days.
    expect(warned({ openedAt: now - 172 * day }, true)).toEqual([])
    expect(warned({ openedAt: now - 173 * day }, true)).toEqual(['weakens'])
    expect(warned({ openedAt: now - 173 * day }, false)).toEqual([])
    expect(warned({ bestBefore: now }, true)).toEqual([])
  })
  it('a container is empty at the pace of its meter, once that ran for a whole day', () => {
    const drawn = (millilitres: number, over: number) => ({ millilitres, from: now - over, at: now })
    expect(containerOutlook(1000, drawn(250, day))).toEqual({ left: 750, emptyAt: now + 3 * day })
    expect(containerOutlook(1000, drawn(250, day - 1))).toEqual({ left: 750, emptyAt: null })
    expect(containerOutlook(1000, drawn(0, day))).toEqual({ left: 1000, emptyAt: null })
    expect(containerOutlook(1000, drawn(1250, day))).toEqual({ left: 0, emptyAt: now })
    expect(containerOutlook(undefined, drawn(1, day))).toBeNull()
    expect(containerOutlook(1000, null)).toBeNull()
  })
})

describe('a top-up', () => {
  const band = { lo: 100, hi: 200 }
  it('brings the whole to its target, by mass balance', () => {
    // 10 L at 100, to 20 L of 150: (20·150 - 10·100) / 50000 = 0.04 L.
    expect(topUp(mL(10_000), interval(100, 100), mL(20_000), at(50_000), at(150), band)).toEqual({
      concentrate: 40,
      water: 9960,
      after: interval(150, 150),
      safe: true,
    })
  })
  it('is safe just to the ends of the band, and no further', () => {
    const ends = (lo: number, hi: number) =>
      topUp(mL(10_000), interval(lo, hi), mL(20_000), at(50_000), at(150), band)
    expect(ends(50, 150)).toMatchObject({ safe: true, after: interval(125, 175) })
    expect(ends(0, 200)).toMatchObject({ safe: true, after: interval(100, 200) })
    expect(ends(0, 202)).toMatchObject({ safe: false })
  })
  it('of what is too strong is water alone', () =>
    expect(topUp(mL(10_000), interval(400, 400), mL(20_000), at(50_000), at(150), band)).toMatchObject({
      concentrate: 0,
      water: 10_000,
      safe: true,
    }))
})
