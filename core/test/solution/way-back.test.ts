import { describe, expect, it } from 'vitest'
import { bathDue, bathNow, meetsInBath, useOfBath, wayBack } from '../../bath/index.ts'
import { mixesOf, proceduresOf } from '../../procedure/index.ts'
import { instant, interval, millilitres, plausible, isPlausible, ppm } from '../../quantity/index.ts'
import { labelOf, madeFor } from '../../reading/index.ts'
import { type ProductSet, type ProductUse } from '../../house/index.ts'
import { judgeSanitizer, modelCode, type Agent } from '../../rules/index.ts'
import { bestTool, mixFor, type MeasuringTool } from '../../solution/index.ts'

const use = (id: string, change: Partial<ProductUse> = {}): ProductUse => ({
  id,
  name: id,
  range: { lo: 100, hi: 200 },
  target: 150,
  temperature: null,
  hardestWater: null,
  contactSeconds: 60,
  rinseAfter: false,
  ...change,
})
const product = (change: Partial<ProductSet> = {}): ProductSet => ({
  name: 'Chlor',
  purpose: '',
  chemicalClass: 'hypochlorite',
  agent: 'chlorine',
  supply: { kind: 'strength', stock: ppm(25_000) },
  uses: [use('cloths'), use('utensils', { range: { lo: 50, hi: 100 }, target: 75 })],
  ppe: [],
  firstAid: '',
  neverWith: [],
  ...change,
})
const beaker: MeasuringTool = {
  name: 'beaker',
  capacity: millilitres(50),
  graduation: millilitres(1),
  error: millilitres(0.5),
}
const kit = { tools: [beaker], scales: [] }
const judged = (of: ProductSet, useId: string, lo: number, hi: number | null) =>
  judgeSanitizer(modelCode, {
    agent: of.agent ?? 'other',
    strength: interval(lo, hi),
    temperature: null,
    ph: null,
    hardness: null,
    label: labelOf(of, useId),
  })

describe('the use of a bath', () => {
  const uses = product()
  it('is the one it was mixed for, never the first of its product', () =>
    expect(useOfBath({ use: 'utensils', target: 150 }, uses)?.id).toBe('utensils'))
  it('where nobody wrote it down, is the one whose target it was mixed to', () =>
    expect(useOfBath({ target: 75 }, uses)?.id).toBe('utensils'))
  it('that the label no longer has is none', () =>
    expect(useOfBath({ use: 'gone', target: 75 }, uses)).toBeNull())
})

describe('the way back for a bath', () => {
  it('adds tablets to a bath made of tablets, whatever other product was looked at before', () => {
    const tablets = product({ supply: { kind: 'pieces', active: 500, mayBeHalved: false } })
    const way = wayBack(
      tablets,
      { volume: 10_000, capacity: 12_000 },
      interval(50, 75),
      judged(tablets, 'cloths', 50, 75),
      kit,
    )
    expect(way).toMatchObject({ move: 'strengthen', unit: 'pieces' })
  })
  it('aims no higher than chlorine may be without a rinse, even where the label says more', () => {
    const strong = product({ uses: [use('cloths', { range: { lo: 100, hi: 400 } })] })
    const way = wayBack(
      strong,
      { volume: 10_000, capacity: 12_000 },
      interval(50, 75),
      judged(strong, 'cloths', 50, 75),
      kit,
    )
    expect(way?.after?.hi).toBeLessThanOrEqual(200)
  })
  it('past its hours is to mix anew', () => {
    const of = product()
    const wrong = { volume: 4000, capacity: 9000, spoiled: 'old' as const }
    expect(wayBack(of, wrong, interval(50, 75), judged(of, 'cloths', 50, 75), kit)).toMatchObject({
      move: 'remix',
      why: 'spoiled',
    })
  })
  it('is none without a reading, or where no label says what it should be', () => {
    const of = product()
    const wrong = { volume: 4000, capacity: 9000 }
    expect(wayBack(of, wrong, null, judged(of, 'cloths', 50, 75), kit)).toBeNull()
    const none = product({ agent: null, uses: [use('cloths', { range: null })] })
    expect(wayBack(none, wrong, interval(5, 7), judged(none, 'cloths', 5, 7), kit)).toBeNull()
  })
  it('is refused where the vessel holds what the product must not meet', () => {
    expect(meetsInBath({ chemicalClass: 'hypochlorite' }, 'detergent')).toMatchObject({ effect: 'inactive' })
    expect(meetsInBath({ chemicalClass: 'hypochlorite' }, 'rinse')).toBeNull()
  })
})

describe('a strip', () => {
  const strip = (id: string, agent: Agent, forThese?: string[]) => ({ id, agent, madeFor: forThese })
  it('made for a product goes before those of its agent; one made for another is never offered', () => {
    const all = [strip('any', 'quat'), strip('other', 'quat', ['quat-b']), strip('own', 'quat', ['quat-a'])]
    expect(madeFor({ id: 'quat-a', agent: 'quat' }, all).map((s) => s.id)).toEqual(['own'])
    expect(madeFor({ id: 'quat-c', agent: 'quat' }, all).map((s) => s.id)).toEqual(['any'])
    expect(madeFor({ id: 'soap', agent: null }, all)).toEqual([])
  })
})

describe('a verdict is of its moment', () => {
  const hour = 3_600_000
  const at = (hours: number) => instant(hours * hour)
  const read = (verdict: 'in' | 'out') => ({
    mixedAt: 0,
    lastReading: { at: hour / 2, strength: interval(100, 150), verdict },
  })
  const mark = (hours: number, verdict: 'in' | 'out' = 'in', likely: number | null = null) =>
    bathNow(read(verdict), bathDue(read(verdict)), likely === null ? null : at(likely), at(hours))
  it('a bath past its hours is no longer in, and is due for a change', () =>
    expect(mark(20)).toEqual({ call: 'change', verdict: 'cannot-tell' }))
  it('nor is one past its test', () => expect(mark(3)).toEqual({ call: 'test', verdict: 'cannot-tell' }))
  it('nor one that is likely below by now', () =>
    expect(mark(1, 'in', 0.8)).toEqual({ call: 'test', verdict: 'cannot-tell' }))
  it('one that is out stays out', () => expect(mark(20, 'out').verdict).toBe('out'))
  it('until then it is what it read', () => expect(mark(1)).toEqual({ call: null, verdict: 'in' }))
})

describe('a tool whose smallest mark is above the amount', () => {
  const jug: MeasuringTool = {
    ...beaker,
    name: 'jug',
    capacity: millilitres(1000),
    graduation: millilitres(50),
  }
  it('is not offered', () => {
    const mix = mixFor(
      { kind: 'strength', stock: ppm(100_000) },
      { range: { lo: 100, hi: 200 }, target: 150 },
      millilitres(4000),
      [jug, beaker],
    )
    expect(mix.pours.map((p) => p.tool.name)).toEqual(['beaker'])
    expect(bestTool([jug], millilitres(6), millilitres(3994), ppm(100_000), null)?.shown).toBe(0)
  })
})

describe('what a machine takes', () => {
  it('is what its procedures mix for it, by its plate; a number that the plate lacks leaves it out', () => {
    const procedures = proceduresOf('soft-serve-gravity')
    const parameters = { wash: 5000, rinse: 3800, pailHolds: 9000, sanitize: 5000 }
    expect(mixesOf({ parameters }, procedures).map((m) => m.use)).toContain('frozen-dessert')
    expect(mixesOf({ parameters: {} }, procedures)).toEqual([])
  })
})

describe('what can be (from memory)', () => {
  it.each([
    ['water', '°C', 900, false],
    ['water', '°C', 115, true],
    ['water', '°F', 239, true],
    ['pH', 'pH', 14, true],
    ['pH', 'pH', 14.1, false],
    ['product', '°C', -18, true],
    ['water', '°C', -18, false],
    ['pressure', 'psi', 30, true],
  ] as const)('%s in %s at %d: %s', (kind, unit, value, can) =>
    expect(isPlausible(kind, unit, value)).toBe(can),
  )
  it('is told by unit, and refused in one that it is never read in', () => {
    expect(plausible('pressure', 'kPa').hi).toBe(1500)
    expect(() => plausible('pressure', '°C')).toThrow()
  })
})
