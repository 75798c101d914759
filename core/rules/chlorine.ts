import { atLeast, atMost, interval, type Interval } from '../quantity/index.ts'
import { limitVerdict, type LimitVerdict } from './judgement.ts'
import type { Profile, TemperaturePair } from './profile.ts'
import type { Verdict } from './verdict.ts'

export interface JudgedTemperature {
  readonly unit: '°C' | '°F'
  readonly reading: Interval
}

export const limitIn = (pair: TemperaturePair, unit: '°C' | '°F') => (unit === '°C' ? pair.c : pair.f)

/**
 * The least available chlorine (mg/L) that the code accepts at one temperature and pH; null where it accepts none.
 * @param temperature in `unit`, the instrument's own. Source: FDA Food Code 2022, 4-501.114(A).
 */
export function leastChlorine(
  profile: Profile,
  temperature: number,
  unit: '°C' | '°F',
  ph: number,
): number | null {
  if (ph > profile.chlorine.highestPh) return null
  const row = profile.chlorine.rows.find((r) => temperature >= limitIn(ph <= 8 ? r.ph8 : r.ph10, unit))
  return row?.from ?? null
}

/**
 * Chlorine against the code: the band that holds at the temperature and pH read, the ceiling, and both limits of
 * pH. Where temperature or pH is an interval, the strictest end sets the band and the other end decides whether the
 * reading is out or only too close.
 */
export function judgeChlorine(
  profile: Profile,
  strength: Interval | null,
  temperature: JudgedTemperature | null,
  ph: Interval | null,
  rinsed = false,
): LimitVerdict[] {
  const { chlorine, name } = profile
  const source = `${name}, ${chlorine.source}`
  const phVerdict = limitVerdict('pH', 'pH', source, atMost(chlorine.highestPh), ph)
  const ceiling = limitVerdict(
    'chlorine',
    'ppm',
    chlorine.ceilingSource,
    atMost(chlorine.ceiling),
    strength,
    'without-rinse',
  )
  return [
    minimum(profile, source, strength, temperature, ph),
    // Where a potable rinse follows by the label, the ceiling is the label's own.
    ...(rinsed ? [] : [ceiling]),
    coldest(profile, source, temperature),
    phVerdict,
  ]
}

/** Colder than the table's last row no strength serves. */
function coldest(profile: Profile, source: string, t: JudgedTemperature | null): LimitVerdict {
  const unit = t?.unit ?? '°C'
  const least = Math.min(
    ...profile.chlorine.rows.flatMap((r) => [limitIn(r.ph8, unit), limitIn(r.ph10, unit)]),
  )
  return limitVerdict('chlorineWater', unit, source, atLeast(least), t?.reading ?? null)
}

function minimum(
  profile: Profile,
  source: string,
  strength: Interval | null,
  temperature: JudgedTemperature | null,
  ph: Interval | null,
): LimitVerdict {
  const never = Infinity
  const least = (t: number, p: number) => leastChlorine(profile, t, temperature?.unit ?? '°C', p) ?? never
  const coldest = temperature?.reading.lo ?? -Infinity
  const warmest = temperature?.reading.hi ?? Infinity
  const worst = least(coldest, ph?.hi ?? Infinity)
  const best = least(temperature ? warmest : Infinity, ph?.lo ?? 0)
  const verdict = minimumVerdict(strength, worst, best, temperature !== null && ph !== null)
  const known = verdict !== 'cannot-tell' && Number.isFinite(worst)
  const limit = known ? interval(worst, null) : Number.isFinite(best) ? interval(best, null) : null
  return {
    ...limitVerdict('chlorine', 'ppm', source, limit, strength),
    verdict,
  }
}

function minimumVerdict(strength: Interval | null, worst: number, best: number, allRead: boolean): Verdict {
  if (strength === null) return best === Infinity ? 'out' : 'cannot-tell'
  const lo = strength.lo ?? 0
  const hi = strength.hi ?? Infinity
  if (best === Infinity || hi < best) return 'out'
  if (lo >= worst) return 'in'
  return allRead ? 'too-close' : 'cannot-tell'
}
