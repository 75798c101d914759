import { interval, type Interval } from '../quantity/index.ts'
import {
  chosenPractice,
  judgeDishMachine,
  judgedAnew,
  layLocalRules,
  limitVerdict,
  strictest,
  type DataPlate,
  type DishMachineKind,
  type Judgement,
  type LimitVerdict,
  type LocalRule,
} from '../rules/index.ts'
import type { CycleFigures } from './figures.ts'
import type { Ending } from './split.ts'

/** What a machine is held to: its kind, its plate, how well its probes read, what the site chose, and its authority's rules. */
export interface CycleLimits {
  readonly kind: DishMachineKind
  readonly plate: DataPlate | null
  /** Either way, °C and kPa. */
  readonly accuracy: { readonly temperature: number; readonly pressure: number }
  readonly schools: Readonly<Record<string, string>>
  readonly local: readonly LocalRule[]
}

/**
 * One cycle's verdict: the lowest that was held is judged against what is least, the highest against what is most. A cycle cut
 * short is none, and has no verdict; one of which too much is missing, or whose probe stood still, cannot be told.
 */
export function judgeCycle(figures: CycleFigures, ending: Ending, limits: CycleLimits): Judgement | null {
  if (ending === 'door' || ending === 'stopped') return null
  const lost = ending === 'gap'
  const { temperature, pressure } = limits.accuracy
  const celsius = (value: number | null) =>
    lost || value === null ? null : ({ unit: '°C', reading: about(value, temperature) } as const)
  const kPa = (value: number | null) => (lost || value === null ? null : about(value, pressure))
  const byEnd = (rinse: number | null, p: number | null) => {
    const judgement = judgeDishMachine({
      kind: limits.kind,
      wash: celsius(figures.washLow),
      rinse: celsius(rinse),
      pressure: kPa(p),
      surface: null,
      plate: limits.plate,
    })
    return limits.local.length > 0 ? layLocalRules(judgement, limits.local) : judgement
  }
  const low = byEnd(figures.rinseLow, figures.pressureLow)
  const high = byEnd(figures.rinseHigh, figures.pressureHigh)
  const layers = low.layers.map((layer, n) => {
    const merged = layer.limits.map((limit, i) => ofBoth(limit, high.layers[n]?.limits[i] ?? limit))
    if (layer.layer === 'code') merged.push(...lastSeconds(merged, figures, limits, celsius))
    return { ...layer, limits: merged }
  })
  return judgedAnew(low, layers)
}

const about = (value: number, accuracy: number): Interval => interval(value - accuracy, value + accuracy)

/** A limit from below is held against the lowest, one from above against the highest, one from both sides against both. */
function ofBoth(low: LimitVerdict, high: LimitVerdict): LimitVerdict {
  if (low.limit === null || low.limit.hi === null) return low
  if (low.limit.lo === null) return high
  const reading =
    low.reading && high.reading ? interval(low.reading.lo, high.reading.hi) : (low.reading ?? high.reading)
  const distances = [low.distance, high.distance].filter((d) => d !== null)
  return {
    ...low,
    reading,
    verdict: strictest([low.verdict, high.verdict]),
    distance: distances.length > 0 ? Math.min(...distances) : null,
  }
}

/** One school: the rinse is held through the last seconds. It adds a limit, and takes none away. */
function lastSeconds(
  limits: readonly LimitVerdict[],
  figures: CycleFigures,
  { schools }: CycleLimits,
  celsius: (value: number | null) => { readonly reading: Interval } | null,
): LimitVerdict[] {
  if (chosenPractice('hot-water-machine', schools) !== 'last-seconds') return []
  const least = limits.find((l) => l.quantity === 'rinse' && l.limit?.hi === null)
  if (!least?.limit) return []
  const read = celsius(figures.rinseLast)?.reading ?? null
  return [limitVerdict('rinse', '°C', '', least.limit, read, 'held-to-the-end')]
}
