import { atLeast, atMost, interval, type Interval } from '../quantity/index.ts'
import type { JudgedQuantity } from './judgement.ts'
import { modelCode, type Profile } from './profile.ts'

/** One limit of the base profile that a local rule can replace: one number or range under one section. */
export interface CodeSection {
  readonly section: string
  readonly quantity: JudgedQuantity
  readonly unit: string
  readonly limit: Interval
}

/** The limits of a base profile that stand alone, in the order of its sections. Temperatures in °C. */
export function codeSections(profile: Profile = modelCode): CodeSection[] {
  const { dishMachine: d, quat, iodine, chlorine, hotWaterByHand, washWater, coldHolding } = profile
  const entry = (section: string, quantity: JudgedQuantity, unit: string, limit: Interval): CodeSection => ({
    section,
    quantity,
    unit,
    limit,
  })
  return [
    entry(coldHolding.source, 'product', '°C', atMost(coldHolding.temperature.c)),
    entry(washWater.section, 'washWater', '°C', atLeast(washWater.pair.c)),
    ...Object.values(d.wash).map((w) => entry(w.section, 'wash', '°C', atLeast(w.pair.c))),
    entry(hotWaterByHand.section, 'hotWater', '°C', atLeast(hotWaterByHand.pair.c)),
    entry(d.rinse.section, 'rinse', '°C', interval(d.rinse.leastOther.c, d.rinse.most.c)),
    entry(d.pressure.section, 'pressure', 'kPa', interval(d.pressure.kPa.lo, d.pressure.kPa.hi)),
    entry(chlorine.ceilingSource, 'chlorine', 'ppm', atMost(chlorine.ceiling)),
    entry(iodine.source, 'iodine', 'ppm', interval(iodine.range.lo, iodine.range.hi)),
    entry(quat.source, 'hardness', 'mg/L', atMost(quat.hardestWater)),
    entry(d.surface.section, 'surface', '°C', atLeast(d.surface.pair.c)),
  ]
}
