import type { Interval } from '@tadka/core/quantity'
import type { Judgement, JudgedQuantity, Verdict } from '@tadka/core/rules'
import { scaleLinear } from 'd3-scale'

/** One bracket above the ruler: a limit of one layer. */
export interface Bracket {
  readonly label: string
  readonly limit: Interval
}

export interface BandModel {
  readonly unit: string
  readonly brackets: readonly Bracket[]
  readonly reading: Interval | null
  readonly verdict: Verdict
}

/** Which limits of a judgement are drawn together: those in the unit of the strength, or of the temperature. */
export function bandOf(judgement: Judgement, quantities: readonly JudgedQuantity[]): BandModel {
  const limits = judgement.layers.flatMap((layer) =>
    layer.limits
      .filter((l) => quantities.includes(l.quantity) && l.limit !== null)
      .map((l) => ({ layer: layer.layer, ...l })),
  )
  const merged = new Map<string, Interval>()
  for (const l of limits) {
    if (!l.limit) continue
    const before = merged.get(l.layer)
    merged.set(l.layer, before ? narrower(before, l.limit) : l.limit)
  }
  const unit = limits[0]?.unit ?? ''
  return {
    unit,
    brackets: [...merged].map(([label, limit]) => ({ label, limit })),
    reading: limits[0]?.reading ?? null,
    verdict: judgement.overall,
  }
}

function narrower(a: Interval, b: Interval): Interval {
  const lo = a.lo === null ? b.lo : b.lo === null ? a.lo : Math.max(a.lo, b.lo)
  const hi = a.hi === null ? b.hi : b.hi === null ? a.hi : Math.min(a.hi, b.hi)
  return { lo, hi }
}

/** The ruler's scale: from zero (or below the least value) to a round number above all that is drawn. */
export function bandScale(model: BandModel, after: Interval | null, width: number, pad: number) {
  const ends = [...model.brackets.map((b) => b.limit), model.reading, after]
    .flatMap((i) => (i ? [i.lo, i.hi] : []))
    .filter((v): v is number => v !== null)
  const most = Math.max(1, ...ends)
  const least = Math.min(0, ...ends)
  return scaleLinear([least, most * 1.22], [pad, width - pad]).nice(6)
}

/** The values that every bracket allows, or null where they leave none. */
export function commonBand(brackets: readonly Bracket[]): Interval | null {
  const all = brackets.map((b) => b.limit)
  const first = all[0]
  if (!first) return null
  const common = all.slice(1).reduce(narrower, first)
  return common.lo !== null && common.hi !== null && common.lo > common.hi ? null : common
}
