import type { Interval } from '../quantity/index.ts'
import { distanceTo, judgeInterval, strictest, type Verdict } from './verdict.ts'

export const layerKinds = ['code', 'local', 'label', 'plate'] as const
export type LayerKind = (typeof layerKinds)[number]
/** Everything that is judged, each with the units that its limits come in. What a rule is about is one of these. */
export const judgedQuantities = {
  chlorine: ['ppm'],
  iodine: ['ppm'],
  quat: ['ppm'],
  /** Of a sanitizer of any kind, as its label has it. */
  strength: ['ppm'],
  /** The solution's water, by what is dissolved in it. */
  chlorineWater: ['°C', '°F'],
  iodineWater: ['°C', '°F'],
  quatWater: ['°C', '°F'],
  sanitizerWater: ['°C', '°F'],
  /** TCS product kept cold. */
  product: ['°C', '°F'],
  /** Wash water in the sink. */
  washWater: ['°C', '°F'],
  /** Sanitizing by hand. */
  hotWater: ['°C', '°F'],
  /** The refrigerated room that utensils are kept in. */
  room: ['°C', '°F'],
  pH: ['pH'],
  hardness: ['mg/L'],
  /** Of a dish machine. */
  wash: ['°C', '°F'],
  rinse: ['°C', '°F'],
  pressure: ['kPa', 'psi'],
  surface: ['°C', '°F'],
  time: ['s'],
  hours: ['h'],
  /** What a laboratory counts in frozen dessert, on surfaces, in ice and water. The model code limits none of it. */
  coliform: ['/g', '/mL', '/cm²', '/100 mL', '/swab'],
  plateCount: ['/g', '/mL', '/cm²', '/swab'],
  listeria: ['/g', '/swab'],
} as const satisfies Record<string, readonly string[]>
export type JudgedQuantity = keyof typeof judgedQuantities

/**
 * What is to be known of where a limit comes from: the code leaves it to the label; it holds where no rinse with drinking water follows;
 * nobody entered a label; the machine's data plate; the detergent's label; our own practice to hold a rinse to its end; a mix
 * whose maker states that it needs no cooling.
 */
export const limitNotes = [
  'as-label',
  'without-rinse',
  'no-label',
  'data-plate',
  'detergent-label',
  'held-to-the-end',
  'not-tcs',
] as const
export type LimitNote = (typeof limitNotes)[number]

/** One limit held against one reading. */
export interface LimitVerdict {
  readonly quantity: JudgedQuantity
  readonly unit: string
  /** The published section, the label's use, the authority's words; empty where `note` says it all. */
  readonly source: string
  /** What is to be known of the source, said in words where it is shown. In older records the source says it. */
  readonly note?: LimitNote | undefined
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
  note?: LimitNote,
): LimitVerdict {
  const judged = limit !== null && reading !== null
  return {
    quantity,
    unit,
    source,
    ...(note ? { note } : {}),
    limit,
    reading,
    verdict: limit === null ? 'cannot-tell' : judgeInterval(reading, limit),
    distance: judged ? distanceTo(reading, limit) : null,
  }
}

/**
 * The ppm that every voting limit of a judgement allows together; null where none names a strength, or they leave nothing.
 * A correction aims into it.
 */
export function allowedStrength(judgement: Pick<Judgement, 'layers'>): { lo: number; hi: number } | null {
  const strengths: readonly JudgedQuantity[] = ['chlorine', 'iodine', 'quat', 'strength']
  const limits = judgement.layers
    .flatMap((l) => l.limits)
    .filter((l) => strengths.includes(l.quantity) && !l.struck)
    .flatMap((l) => l.limit ?? [])
  const lo = Math.max(0, ...limits.flatMap((l) => l.lo ?? []))
  const hi = Math.min(Infinity, ...limits.flatMap((l) => l.hi ?? []))
  return limits.length > 0 && Number.isFinite(hi) && lo <= hi ? { lo, hi } : null
}

export function layerVerdict(layer: LayerKind, name: string, limits: readonly LimitVerdict[]): LayerVerdict {
  return { layer, name, limits, verdict: strictest(limits.map((l) => l.verdict)) }
}
