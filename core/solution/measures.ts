import { interval, type Interval } from '../quantity/index.ts'
import { nearestMark } from './pour.ts'
import type { MeasuringTool, Scale, Supply } from './supply.ts'

/** Something to measure a product out with: marks so far apart, and off by so much either way each time it is filled. */
export interface Measure {
  /** The tool's or the scale's name; null for pieces, which are counted. */
  readonly tool: string | null
  readonly unit: 'mL' | 'g' | 'pieces'
  readonly mark: number
  /** What one filling holds; null where it is not filled. */
  readonly holds: number | null
  readonly error: number
}

/** What a product can be measured out with: liquids in tools, powders on scales, pieces by count. */
export function measuresFor(
  supply: Supply,
  kit: { readonly tools: readonly MeasuringTool[]; readonly scales: readonly Scale[] },
): Measure[] {
  if (supply.kind === 'pieces')
    return [{ tool: null, unit: 'pieces', mark: supply.mayBeHalved ? 0.5 : 1, holds: null, error: 0 }]
  if (supply.kind === 'powder' || supply.kind === 'grams-per-litre')
    return kit.scales.map((s) => ({
      tool: s.name,
      unit: 'g',
      mark: s.graduation,
      holds: null,
      error: s.error,
    }))
  return kit.tools.map((t) => ({
    tool: t.name,
    unit: 'mL',
    mark: t.graduation,
    holds: t.capacity,
    error: t.error,
  }))
}

/** Nobody counts right beyond it. Common practice, no source. */
const mostFillings = 20

/** How often it is filled for an amount; at least once. */
export const fillingsOf = (m: Pick<Measure, 'holds'>, amount: number): number =>
  m.holds === null ? 1 : Math.max(1, Math.ceil(amount / m.holds - 1e-9))

/** What an amount may really be, given what the measure is off by each time it is filled. In the measure's unit. */
export function mayBe(m: Measure, amount: number): Interval {
  const off = m.error * fillingsOf(m, amount)
  return interval(Math.max(0, amount - off), amount + off)
}

/**
 * The mark nearest to `aim` that lies from `least` to `most` whatever the measure is off by, every filling counted; null where
 * none does. All in the measure's unit; a mark is above zero.
 */
export function safeMark(m: Measure, aim: number, least: number, most: number): number | null {
  let best: number | null = null
  const fillings = m.holds === null ? 1 : Math.min(mostFillings, fillingsOf(m, Math.max(0, most)))
  for (let n = 1; n <= fillings; n++) {
    const off = m.error * n
    const from = Math.max(least + off, m.holds === null ? 0 : m.holds * (n - 1))
    const to = Math.min(most - off, m.holds === null ? Infinity : m.holds * n)
    for (const value of marksIn(m.mark, aim, from, to)) {
      const real = mayBe(m, value)
      const holds = value - off >= least && (real.hi ?? Infinity) <= most && fillingsOf(m, value) <= n
      if (holds && (best === null || Math.abs(value - aim) < Math.abs(best - aim))) best = value
    }
  }
  return best
}

/** The marks nearest to the aim within a stretch, at most three: rounding puts one of them where it may not be. */
function marksIn(mark: number, aim: number, from: number, to: number): number[] {
  if (from > to) return []
  const wanted = Math.min(Math.max(aim, from), to)
  const near = nearestMark(wanted, mark)
  return [near, nearestMark(near - mark, mark), nearestMark(near + mark, mark)].filter((v) => v > 0)
}
