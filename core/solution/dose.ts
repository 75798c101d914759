import { millilitres, ppm, type Millilitres, type Ppm } from '../quantity/index.ts'
import { Refusal } from '../refusal/index.ts'
import type { LiquidSupply } from './supply.ts'

export interface Dose {
  readonly concentrate: Millilitres
  readonly water: Millilitres
  /** What the label's dose gives, in mg/L; null where the label names a ratio and no strength. */
  readonly strength: Ppm | null
}

/**
 * The concentrate and water that make `total` of solution, the concentrate counted in the total.
 * @param supply what the label says; @param target mg/L, used where the supply has a strength;
 * @param total millilitres of finished solution.
 * Throws `volume_is_zero`, `target_is_zero`, `stock_too_weak`.
 * Source: c1·V1 = c2·(V1+V2); WHO/CDC chlorine-solution formula (parts of water = stock/target - 1).
 * Example: 3.5 % stock to 0.5 % is 1 part to 6 parts of water.
 */
export function freshDose(supply: LiquidSupply, target: Ppm | null, total: Millilitres): Dose {
  if (total <= 0) throw new Refusal('volume_is_zero', { field: 'volume' })
  if (supply.kind === 'strength') {
    if (target === null || target <= 0) throw new Refusal('target_is_zero', { field: 'target' })
    if (supply.stock <= target)
      throw new Refusal('stock_too_weak', { field: 'target', stock: supply.stock, target })
    const concentrate = millilitres((total * target) / supply.stock)
    return { concentrate, water: millilitres(total - concentrate), strength: target }
  }
  const share = concentrateShare(supply)
  const concentrate = millilitres(total * share)
  return { concentrate, water: millilitres(total - concentrate), strength: null }
}

function concentrateShare(supply: Exclude<LiquidSupply, { kind: 'strength' }>): number {
  if (supply.kind === 'per-litre') return supply.millilitres / (1000 + supply.millilitres)
  const whole = supply.meaning === 'to' ? supply.parts + 1 : supply.parts
  if (!(whole > 1)) throw new Refusal('stock_too_weak', { field: 'ratio', parts: supply.parts })
  return 1 / whole
}

/**
 * The strength that a pour gives.
 * @param stock mg/L; @param concentrate millilitres poured; @param water millilitres of water beside it. Returns mg/L.
 * @example strengthOf(ppm(100_000), millilitres(10), millilitres(4990)) // 200
 */
export function strengthOf(stock: Ppm, concentrate: Millilitres, water: Millilitres): Ppm {
  const total = concentrate + water
  if (total <= 0) throw new Refusal('volume_is_zero', { field: 'volume' })
  return ppm((stock * concentrate) / total)
}
