import { describe, expect, it } from 'vitest'
import {
  bathDue,
  bathOutlook,
  type BathRead,
  type BathState,
  forecastBath,
  lossOf,
  lossPrior,
  usualLoss,
} from '../bath/index.ts'
import { instant, interval } from '../quantity/index.ts'
import { foldOf } from '../record/index.ts'
import { type AnyRecord, type Fold, type RecordType } from '../stream/index.ts'

const bathFold = foldOf('bath') as Fold<BathState>

/** A fixed generator: the same baths at every run. */
function generator(seed: number) {
  const uniform = () => (seed = (seed * 48271) % 2147483647) / 2147483647
  const bell = () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform())
  return { uniform, bell }
}
const blocks = [0, 50, 100, 150, 200, 300, 400]
/** What a strip with these blocks tells of a strength: between the blocks beside it. */
const strip = (ppm: number): Pick<BathRead, 'lo' | 'hi'> => {
  const above = blocks.findIndex((b) => b > ppm)
  return above < 0 ? { lo: 400, hi: null } : { lo: blocks[above - 1] ?? 0, hi: blocks[above] ?? null }
}

describe('a bath that weakens', () => {
  it('is told by what is usual where nothing was read, and says so', () => {
    const f = forecastBath(200, 150, [])
    // ln(200/150) / 0.1 per hour = 2.9 h.
    expect(f?.likely).toBeCloseTo(2.88, 0)
    expect(f).toMatchObject({ readings: 0 })
    expect((f?.earliest ?? 9) < (f?.testBy ?? 9) && (f?.testBy ?? 9) < (f?.likely ?? 0)).toBe(true)
  })
  it('a reading that is still high puts it off, one that has sunk brings it near', () => {
    const plain = forecastBath(200, 150, [])?.likely ?? 0
    expect(forecastBath(200, 150, [{ hours: 3, lo: 180, hi: 220 }])?.likely).toBeGreaterThan(plain)
    expect(forecastBath(200, 150, [{ hours: 1, lo: 150, hi: 165 }])?.likely).toBeLessThan(plain)
  })
  it('agrees with the whole likelihood summed by brute force', () => {
    const reads: BathRead[] = [
      { hours: 1, lo: 150, hi: 200 },
      { hours: 2.5, lo: 150, hi: 200 },
      { hours: 4, lo: 100, hi: 150 },
    ]
    // Drawn from the prior, with the eye's error, and kept where every strip would have read as it did.
    const { bell } = generator(11)
    const kept: number[] = []
    for (let n = 0; n < 400_000; n++) {
      const start = 200 * Math.exp(0.08 * bell())
      const loss = Math.exp(usualLoss.mean + usualLoss.sd * bell())
      const seen = reads.every((r) => {
        const ppm = start * Math.exp(-loss * r.hours + 0.06 * bell())
        return ppm >= r.lo && ppm < (r.hi ?? Infinity)
      })
      if (seen) kept.push(Math.log(start / 150) / loss)
    }
    kept.sort((a, b) => a - b)
    const share = (s: number) => kept[Math.floor(s * kept.length)] ?? 0
    const f = forecastBath(200, 150, reads)
    expect(kept.length).toBeGreaterThan(20_000)
    expect(f?.likely).toBeCloseTo(share(0.5), 1)
    expect(f?.earliest).toBeCloseTo(share(0.1), 1)
    expect(f?.latest).toBeCloseTo(share(0.9), 1)
  })
  it('its range of 80 % holds the truth in about eight of ten made-up baths', () => {
    const { bell } = generator(5)
    let [held, baths] = [0, 0]
    for (let n = 0; n < 400; n++) {
      const start = 300 * Math.exp(0.08 * bell())
      const loss = Math.exp(usualLoss.mean + usualLoss.sd * bell())
      const reads = [1, 2].map((hours) => ({
        hours,
        ...strip(start * Math.exp(-loss * hours + 0.06 * bell())),
      }))
      const truth = Math.log(start / 150) / loss
      const f = forecastBath(300, 150, reads)
      if (!f || truth > 24) continue
      baths++
      if ((f.earliest ?? 24) <= truth && truth <= (f.latest ?? 24)) held++
    }
    expect(held / baths).toBeGreaterThan(0.75)
    expect(held / baths).toBeLessThan(0.87)
  })
  it('cannot tell where readings and course do not go together', () =>
    expect(forecastBath(200, 150, [{ hours: 1, lo: 2000, hi: 3000 }])).toBeNull())
})

describe('the site’s history', () => {
  it('draws what is usual towards its own, the more the longer it is', () => {
    expect(lossPrior([])).toEqual(usualLoss)
    const few = lossPrior([0.3])
    const many = lossPrior(new Array<number>(40).fill(0.3))
    expect(Math.exp(few.mean)).toBeGreaterThan(0.1)
    expect(Math.exp(many.mean)).toBeGreaterThan(Math.exp(few.mean))
    expect(Math.exp(many.mean)).toBeCloseTo(0.3, 1)
    expect(many.sd).toBeLessThan(few.sd)
  })
})

describe('a bath that stands', () => {
  const hour = 3_600_000
  let n = 0
  const record = (type: RecordType, at: number, payload: object) =>
    ({ id: `r${++n}`, type, observedAt: at, clockOffset: 0, by: 'bao', payload }) as unknown as AnyRecord
  const mixed = record('bath.mixed@1', 0, {
    where: 'bar',
    product: 'quat',
    volume: 4000,
    capacity: 6000,
    target: 250,
  })
  const read = (at: number, lo: number, hi: number) =>
    record('reading.taken@1', at, {
      what: 'sanitizer',
      reading: { strength: interval(lo, hi) },
      judgement: { overall: 'in' },
    })
  const folded = (...records: AnyRecord[]) =>
    records.reduce((s, r) => bathFold.apply(s, r), bathFold.initial('b'))
  it('keeps what it read since it was mixed or put right', () => {
    const state = folded(mixed, read(hour, 200, 300), read(2 * hour, 150, 200))
    expect(state).toMatchObject({ target: 250, since: 0 })
    expect(state.readings.map((r) => r.at)).toEqual([hour, 2 * hour])
    const fixed = bathFold.apply(state, record('case.action@1', 3 * hour, { did: 'strengthened', amount: 5 }))
    expect(fixed).toMatchObject({ since: 3 * hour, readings: [], volume: 4005 })
  })
  it('is tested sooner where it weakens sooner than the site’s hours', () => {
    const quick = folded(mixed, read(hour, 180, 200))
    const outlook = bathOutlook(quick, 150)
    expect(outlook).toMatchObject({ least: 150, readings: 1 })
    expect(outlook?.likely).toBeLessThan(3 * hour)
    const due = bathDue(quick, { testHours: 4, changeHours: 6 }, outlook?.testBy ?? null)
    expect(due).toMatchObject({ why: 'forecast', testBy: outlook?.testBy })
    expect(bathDue(quick, { testHours: 2, changeHours: 4 }, instant(20 * hour)).why).toBe('age')
    // Not again the moment it was read, however weak it is expected to be.
    expect(bathDue(quick, { testHours: 4, changeHours: 6 }, instant(0)).testBy).toBe(1.25 * hour)
  })
  it('learns from the site’s own, and says nothing without a target', () => {
    const bath = folded(mixed)
    const lasting = Array.from({ length: 12 }, () => folded(mixed, read(4 * hour, 230, 260)))
    expect(
      bathOutlook(
        bath,
        150,
        lasting.map((b) => lossOf(b) ?? 0),
      )?.likely,
    ).toBeGreaterThan(bathOutlook(bath, 150)?.likely ?? 0)
    // What was worked out before is not given for another question.
    expect(bathOutlook(bath, 150)).toBe(bathOutlook(bath, 150, []))
    expect(bathOutlook(bath, 100)?.likely).toBeGreaterThan(bathOutlook(bath, 150)?.likely ?? Infinity)
    expect(bathOutlook(bath, 150, [0.4])?.likely).toBeLessThan(bathOutlook(bath, 150)?.likely ?? 0)
    expect(bathOutlook({ ...bath, target: null }, 150)).toBeNull()
  })
})
