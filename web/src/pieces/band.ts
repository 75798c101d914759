import type { Interval } from '@tadka/core/quantity'
import { strictest, type JudgedQuantity, type Judgement, type Verdict } from '@tadka/core/rules'
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

/** Limits that share a ruler: all strengths one, every other quantity its own. Those that say little as a band have none. */
const rulers: Partial<Record<JudgedQuantity, string>> = {
  chlorine: 'strength',
  quat: 'strength',
  iodine: 'strength',
  strength: 'strength',
  chlorineWater: 'water',
  iodineWater: 'water',
  quatWater: 'water',
  sanitizerWater: 'water',
  product: 'product',
  washWater: 'washWater',
  hotWater: 'hotWater',
  wash: 'wash',
  rinse: 'rinse',
  pressure: 'pressure',
  surface: 'surface',
}

const isBounded = (limit: Interval | null) => limit !== null && (limit.lo !== null || limit.hi !== null)

/** The bands of a judgement, a strength before all others; where there is a strength, it alone is drawn. */
export function bandsOf(judgement: Judgement): (BandModel & { readonly quantity: JudgedQuantity })[] {
  const limits = judgement.layers.flatMap((layer) => layer.limits.map((l) => ({ layer: layer.layer, ...l })))
  const drawn = limits.filter((l) => rulers[l.quantity] && isBounded(l.limit) && !l.struck)
  const names = [...new Set(drawn.map((l) => rulers[l.quantity] ?? ''))]
  const chosen = names.includes('strength') ? ['strength'] : names
  return chosen.map((name) => {
    const own = drawn.filter((l) => rulers[l.quantity] === name)
    const merged = new Map<string, Interval>()
    for (const { layer, limit } of own) {
      if (!limit) continue
      const before = merged.get(layer)
      merged.set(layer, before ? narrower(before, limit) : limit)
    }
    return {
      quantity: own[0]?.quantity ?? 'strength',
      unit: own[0]?.unit ?? '',
      brackets: [...merged].map(([label, limit]) => ({ label, limit })),
      reading: own[0]?.reading ?? null,
      verdict: strictest(own.map((l) => l.verdict)),
    }
  })
}

/** The one band to show where there is room for one: the first that is not in, else the first. */
export function tellingBand(judgement: Judgement): BandModel | null {
  const bands = bandsOf(judgement)
  return bands.find((b) => b.verdict !== 'in') ?? bands[0] ?? null
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
