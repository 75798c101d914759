import { atMost, type Interval } from '../quantity/index.ts'
import { limitIn } from './chlorine.ts'
import { layerVerdict, limitVerdict, type Judgement } from './judgement.ts'
import { modelCode, type Profile } from './profile.ts'

const noLimit: Interval = { lo: null, hi: null }

/**
 * Judges the temperature of product that is kept cold, in the unit of the thermometer.
 * Source: FDA Food Code 2022, 3-501.16(A)(2): 5 °C (41 °F) or less for TCS food; what its maker states not to be TCS has no limit.
 * @param notTcs every mix in it is stated so.
 */
export function judgeColdProduct(
  profile: Profile,
  unit: '°C' | '°F',
  reading: Interval | null,
  notTcs = false,
): Judgement {
  const { source, temperature } = profile.coldHolding
  const told = reading === null || (reading.lo === null && reading.hi === null) ? null : reading
  const layer = notTcs
    ? layerVerdict('label', '', [limitVerdict('product', unit, '', noLimit, told, 'not-tcs')])
    : layerVerdict('code', profile.name, [
        limitVerdict('product', unit, `${profile.name}, ${source}`, atMost(limitIn(temperature, unit)), told),
      ])
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
