import {
  interval,
  millilitres,
  ppm,
  within,
  type Interval,
  type Millilitres,
  type Ppm,
} from '../quantity/index.ts'
import { flowTime, strokeDose } from './dispenser.ts'
import { mixFor, type Mix } from './mix.ts'
import { nearestMark } from './pour.ts'
import { gramsFor, pieceDose, powderDose, type PieceChoice } from './solid.ts'
import {
  isLiquid,
  type Dispenser,
  type MeasuringTool,
  type Scale,
  type SolidSupply,
  type Supply,
} from './supply.ts'

export interface Weighed {
  readonly scale: Scale | null
  /** Grams, to the scale's nearest mark; exact where there is no scale. */
  readonly shown: number
  /** mg/L for the rounding and the scale's error; null where no scale is known: then nobody can tell. */
  readonly strength: Interval | null
  readonly holds: boolean | null
}

export interface Delivered {
  readonly dispenser: Dispenser
  /** Whole strokes, or seconds to the nearest half. */
  readonly count: number
  /** mg/L; null where the label names a dose and no strength. */
  readonly strength: Ppm | null
  readonly holds: boolean | null
}

/** One fresh mix, in whatever the product comes as. */
export type Measured =
  | { readonly kind: 'pour'; readonly mix: Mix; readonly delivered: readonly Delivered[] }
  | { readonly kind: 'weigh'; readonly weighed: readonly Weighed[] }
  | { readonly kind: 'pieces'; readonly choice: PieceChoice; readonly holds: boolean | null }

interface LabelAim {
  /** ppm. */
  readonly range: { readonly lo: number; readonly hi: number } | null
  readonly target: number | null
}

export interface MeasuringKit {
  readonly tools: readonly MeasuringTool[]
  readonly scales: readonly Scale[]
  /** Those that hold this product. */
  readonly dispensers: readonly Dispenser[]
}

/**
 * A fresh mix for one use of a label: poured on each tool at hand, pumped, weighed, or counted in pieces.
 * @param total millilitres of finished solution. Throws `volume_is_zero`, `target_is_zero`, `stock_too_weak`.
 */
export function measureFor(supply: Supply, use: LabelAim, total: Millilitres, kit: MeasuringKit): Measured {
  if (!isLiquid(supply)) return solid(supply, use, total, kit.scales)
  const mix = mixFor(supply, use, total, kit.tools)
  const stock = supply.kind === 'strength' ? supply.stock : null
  return { kind: 'pour', mix, delivered: kit.dispensers.map((d) => deliver(d, mix, stock)) }
}

function solid(supply: SolidSupply, use: LabelAim, total: Millilitres, scales: readonly Scale[]): Measured {
  const target = ppm(use.target ?? 0)
  const band = use.range && interval(use.range.lo, use.range.hi)
  if (supply.kind === 'pieces') {
    const choice = pieceDose(supply, target, total)
    const { strength } = choice.inVolume
    return { kind: 'pieces', choice, holds: band && within(interval(strength, strength), band) }
  }
  const byStrength = supply.kind === 'powder'
  const grams = byStrength ? powderDose(supply.active, target, total) : gramsFor(supply.grams, total)
  const on = (scale: Scale): Weighed => {
    const shown = nearestMark(grams, scale.graduation)
    if (!byStrength) return { scale, shown, strength: null, holds: null }
    const at = (g: number) => (Math.max(0, g) * supply.active * 1e6) / total
    const strength = interval(at(shown - scale.error), at(shown + scale.error))
    return { scale, shown, strength, holds: band && within(strength, band) }
  }
  const none: Weighed = { scale: null, shown: grams, strength: null, holds: null }
  const finest = scales.toSorted((a, b) => a.graduation - b.graduation)
  return { kind: 'weigh', weighed: finest.length > 0 ? finest.map(on) : [none] }
}

function deliver(dispenser: Dispenser, mix: Mix, stock: Ppm | null): Delivered {
  const { concentrate, water } = mix.dose
  const halves = (seconds: number) => Math.max(0.5, Math.round(seconds * 2) / 2)
  const count =
    dispenser.by === 'stroke'
      ? strokeDose(dispenser.millilitres, concentrate, water, stock ?? ppm(0)).strokes
      : halves(flowTime(dispenser.millilitres, concentrate))
  const given = millilitres(count * dispenser.millilitres)
  const strength = stock === null ? null : ppm((stock * given) / (given + water))
  return {
    dispenser,
    count,
    strength,
    holds: strength === null || mix.band === null ? null : within(interval(strength, strength), mix.band),
  }
}
