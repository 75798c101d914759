import { atMost, type Interval } from '../quantity/index.ts'
import { limitIn } from './chlorine.ts'
import { layerVerdict, limitVerdict, type Judgement } from './judgement.ts'
import { modelCode, type Profile } from './profile.ts'

/**
 * Judges the temperature of TCS product that is kept cold, in the unit of the thermometer.
 * Source: FDA Food Code 2022, 3-501.16(A)(2): 5 °C (41 °F) or less.
 */
export function judgeColdProduct(profile: Profile, unit: '°C' | '°F', reading: Interval | null): Judgement {
  const { source, temperature } = profile.coldHolding
  const told = reading === null || (reading.lo === null && reading.hi === null) ? null : reading
  const limit = limitVerdict(
    'product',
    unit,
    `${profile.name}, ${source}`,
    atMost(limitIn(temperature, unit)),
    told,
  )
  const layer = layerVerdict('code', profile.name, [limit])
  return {
    overall: layer.verdict,
    layers: [layer],
    missing: told === null ? [{ quantity: 'product', best: 'in', worst: 'out' }] : [],
    profile: { id: profile.id, version: profile.version },
  }
}

/** Whether product read at `value` in `unit` is cold enough to be kept as rerun, and the limit in that unit. Same source. */
export function rerunFit(
  value: number,
  unit: '°C' | '°F',
  profile: Profile = modelCode,
): { cold: boolean; limit: number } {
  const limit = limitIn(profile.coldHolding.temperature, unit)
  return { cold: value <= limit, limit }
}
