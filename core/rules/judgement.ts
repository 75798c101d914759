import type { Interval } from '../quantity/index.ts'
import { distanceTo, judgeInterval, strictest, type Verdict } from './verdict.ts'

export type LayerKind = 'code' | 'local' | 'label' | 'plate'
export type JudgedQuantity =
  | 'chlorine'
  | 'iodine'
  | 'quat'
  | 'strength'
  | 'temperature'
  | 'pH'
  | 'hardness'
  | 'wash'
  | 'rinse'
  | 'pressure'
  | 'surface'
  | 'time'
  | 'hours'

/** One limit held against one reading. */
export interface LimitVerdict {
  readonly quantity: JudgedQuantity
  readonly unit: string
  /** The published section, the label, or the data plate. */
  readonly source: string
  /** Null where no limit could be named because something it depends on is missing. */
  readonly limit: Interval | null
  readonly reading: Interval | null
  readonly verdict: Verdict
  /** How far inside (positive) or outside (negative) the nearer end lies, in `unit`. */
  readonly distance: number | null
  /** Replaced by a local rule: shown, and without a vote. */
  readonly struck?: boolean
  /** The replacement is looser than this limit. */
  readonly looser?: boolean
}

export interface LayerVerdict {
  readonly layer: LayerKind
  readonly name: string
  readonly verdict: Verdict
  readonly limits: readonly LimitVerdict[]
}

/** What a missing value could change. */
export interface MissingValue {
  readonly quantity: JudgedQuantity | 'label'
  /** The verdict that the best and the worst value for it would give. */
  readonly best: Verdict
  readonly worst: Verdict
}

export interface Judgement {
  readonly overall: Verdict
  readonly layers: readonly LayerVerdict[]
  readonly missing: readonly MissingValue[]
  readonly profile: { readonly id: string; readonly version: number }
}

/** Holds one reading against one limit and tells the distance. */
export function limitVerdict(
  quantity: JudgedQuantity,
  unit: string,
  source: string,
  limit: Interval | null,
  reading: Interval | null,
): LimitVerdict {
  const judged = limit !== null && reading !== null
  return {
    quantity,
    unit,
    source,
    limit,
    reading,
    verdict: limit === null ? 'cannot-tell' : judgeInterval(reading, limit),
    distance: judged ? distanceTo(reading, limit) : null,
  }
}

export function layerVerdict(layer: LayerKind, name: string, limits: readonly LimitVerdict[]): LayerVerdict {
  return { layer, name, limits, verdict: strictest(limits.map((l) => l.verdict)) }
}
