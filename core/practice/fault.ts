import type { InstrumentSet, ProductSet, RecipeRange, RecipeSide } from '../house/index.ts'
import type { Procedure } from '../procedure/index.ts'
import type { Instant } from '../quantity/index.ts'
import type { TemperaturePair } from '../rules/index.ts'

/** What can be wrong in a practice run. It is seen in what is drawn and read, never told. */
export const faultKinds = [
  'reservoir-dry',
  'strip-between',
  'rinse-low',
  'part-missing',
  'part-worn',
  'feeds-left-on',
  'power-left-on',
  'wrong-bottle',
  'beater-stopped',
  'contact-cut',
  'water-cloudy',
] as const
export type FaultKind = (typeof faultKinds)[number]

/** One thing that goes wrong: what, and at which step of the run. */
export interface Fault {
  readonly kind: FaultKind
  /** The step's key in its run. */
  readonly at: string
  /** The part that is missing, or the product whose bottle stands there instead; null for what is about neither. */
  readonly of: string | null
  /** The part of a wait after which it shows, 0 to 1; 0 where it is no wait. */
  readonly after: number
}

export interface FaultState extends Fault {
  /** When it was caught, milliseconds of the practice's clock, and whether at once; null until then. */
  readonly caught: { readonly at: number; readonly soon: boolean } | null
  /** Gone on with as if nothing were wrong. */
  readonly missed: boolean
}

/** What was said to be wrong, or read otherwise than it stood there, and was right. */
export const falseAlarmKinds = [
  'touched',
  'misread',
  'part-there',
  'part-sound',
  'ended-early',
  'water-clear',
] as const
export type FalseAlarmKind = (typeof falseAlarmKinds)[number]

export interface FalseAlarm {
  readonly kind: FalseAlarmKind
  readonly step: string
}

/** What of a site a practice run is drawn with. */
export interface PracticeKnown {
  readonly products: readonly (ProductSet & { readonly id: string })[]
  readonly instruments: readonly (InstrumentSet & { readonly id: string })[]
  /** Of several products for one use, the one that the site offers first: by use. */
  readonly preferred: Readonly<Record<string, string>>
  /** The machine's kind. */
  readonly family: string
  /** What a recipe asks of the mix in the machine, where the site has one. */
  readonly recipe: Readonly<Partial<Record<RecipeSide, RecipeRange | null>>>
  /** The detergent label's wash temperature, where the site goes by it. */
  readonly washLabel: TemperaturePair | null
  /** When it is practised: strips past their date are not drawn. */
  readonly now: Instant
}

/** A practice run as far as it is about what was seen: the run itself goes by the folds of real ones. */
export interface Practice {
  readonly procedure: Procedure
  readonly known: PracticeKnown
  readonly faults: readonly FaultState[]
  readonly falseAlarms: readonly FalseAlarm[]
  /** Steps whose solution or rack was put right after it read otherwise. */
  readonly mended: readonly string[]
  /** What a step asks to be switched and was, by touch, before it was said to be done: by the step's key. */
  readonly switched: readonly string[]
}

/** The fault of a kind at a step, that nobody has caught yet; undefined where there is none. */
export const openFault = (p: Practice, kind: FaultKind, at: string): FaultState | undefined =>
  p.faults.find((f) => f.kind === kind && f.at === at && f.caught === null)
