/** Litres that racks have brought through the heater, and what they leave in it. */
export interface ScaleLoad {
  /** Grams of mineral that the water carried, as CaCO3. */
  readonly grams: number
  /** Racks until a load of `due` grams, at this water; null where the water carries none. */
  readonly racksLeft: number | null
}

/**
 * Mineral load since the last delime: hardness times the litres heated. @param hardness mg/L as CaCO3. @param rinseWater mL a rack.
 * @param due grams at which it falls due, from the site's own intervals. Common practice, no source.
 * @example scaleLoad(200, 3000, 100, 300) // { grams: 60, racksLeft: 400 }
 */
export function scaleLoad(hardness: number, rinseWater: number, racks: number, due: number): ScaleLoad {
  const each = loadOf(hardness, rinseWater, 1)
  const grams = each * racks
  return { grams, racksLeft: each > 0 ? Math.max(0, Math.ceil((due - grams) / each)) : null }
}

/**
 * Grams that so many racks bring at this water: the load at which a delime falls due by count.
 * @example loadOf(200, 3000, 100) // 60
 */
export const loadOf = (hardness: number, rinseWater: number, racks: number): number =>
  (hardness * rinseWater * racks) / 1_000_000

/** One interval between delimes: racks in it, and whether scale was seen before it was done. */
export interface DelimeInterval {
  readonly racks: number
  readonly scaleSeen: boolean
}

/** How many intervals weigh as much as what the maker says. */
const weightOfModel = 2

/**
 * Racks after which a delime falls due, tuned by the site's own: an interval in which scale was seen was too long by a fifth, one
 * without may be as long again. The model's figure counts as two intervals.
 */
export function delimeEvery(modelRacks: number, intervals: readonly DelimeInterval[]): number {
  const told = intervals.map((i) => (i.scaleSeen ? i.racks * 0.8 : Math.max(i.racks, modelRacks)))
  const sum = told.reduce((a, b) => a + b, modelRacks * weightOfModel)
  return Math.round(sum / (told.length + weightOfModel))
}
