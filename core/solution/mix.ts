import { interval, ppm, type Interval, type Millilitres } from '../quantity/index.ts'
import { freshDose, type Dose } from './dose.ts'
import { bestTool, pourWith, type Pour } from './pour.ts'
import type { LiquidSupply, MeasuringTool } from './supply.ts'

export interface Mix {
  readonly dose: Dose
  /** One for each tool that can show it, the best first; none where all are too coarse. */
  readonly pours: readonly Pour[]
  /** The label's band, ppm, or null where it names a dose and no strength. */
  readonly band: Interval | null
}

/**
 * A fresh mix for one use of a label, with the pour on each tool at hand.
 * @param total millilitres of finished solution; `use.range` and `use.target` in ppm.
 * Throws `volume_is_zero`, `target_is_zero`, `stock_too_weak`.
 */
export function mixFor(
  supply: LiquidSupply,
  use: {
    readonly range: { readonly lo: number; readonly hi: number } | null
    readonly target: number | null
  },
  total: Millilitres,
  tools: readonly MeasuringTool[],
): Mix {
  const dose = freshDose(supply, use.target === null ? null : ppm(use.target), total)
  const stock = supply.kind === 'strength' ? supply.stock : null
  const band = use.range && interval(use.range.lo, use.range.hi)
  // A tool whose smallest mark is above the amount cannot show it.
  const able = tools.filter((tool) => tool.graduation <= dose.concentrate)
  const best = bestTool(able, dose.concentrate, dose.water, stock, band)
  const others = able
    .filter((tool) => tool.name !== best?.tool.name)
    .map((tool) => pourWith(tool, dose.concentrate, dose.water, stock, band))
  return { dose, pours: best ? [best, ...others] : others, band }
}
