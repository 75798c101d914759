import { atLeast, atMost, interval, type Interval, type UnitSystem } from '../quantity/index.ts'
import { limitIn } from './chlorine.ts'
import type { JudgedQuantity } from './judgement.ts'
import { modelCode, type Profile, type TemperaturePair } from './profile.ts'

/** One limit of the base profile that a local rule can replace: one number or range under one section. */
export interface CodeSection {
  readonly section: string
  readonly quantity: JudgedQuantity
  readonly unit: string
  readonly limit: Interval
}

/** The limits of a base profile that stand alone, in the order of its sections, in the units that a site works in, as the code pairs them. */
export function codeSections(system: UnitSystem = 'metric', profile: Profile = modelCode): CodeSection[] {
  const { dishMachine: d, quat, iodine, chlorine, hotWaterByHand, washWater, coldHolding } = profile
  const us = system === 'us'
  const degrees = us ? '°F' : '°C'
  const pressure = us ? 'psi' : 'kPa'
  const at = (pair: TemperaturePair) => limitIn(pair, degrees)
  const entry = (section: string, quantity: JudgedQuantity, unit: string, limit: Interval): CodeSection => ({
    section,
    quantity,
    unit,
    limit,
  })
  return [
    entry(coldHolding.source, 'product', degrees, atMost(at(coldHolding.temperature))),
    entry(washWater.section, 'washWater', degrees, atLeast(at(washWater.pair))),
    ...Object.values(d.wash).map((w) => entry(w.section, 'wash', degrees, atLeast(at(w.pair)))),
    entry(hotWaterByHand.section, 'hotWater', degrees, atLeast(at(hotWaterByHand.pair))),
    entry(d.rinse.section, 'rinse', degrees, interval(at(d.rinse.leastOther), at(d.rinse.most))),
    entry(
      d.pressure.section,
      'pressure',
      pressure,
      interval(d.pressure[pressure].lo, d.pressure[pressure].hi),
    ),
    entry(chlorine.ceilingSource, 'chlorine', 'ppm', atMost(chlorine.ceiling)),
    entry(iodine.source, 'iodine', 'ppm', interval(iodine.range.lo, iodine.range.hi)),
    entry(quat.source, 'hardness', 'mg/L', atMost(quat.hardestWater)),
    entry(d.surface.section, 'surface', degrees, atLeast(at(d.surface.pair))),
  ]
}
