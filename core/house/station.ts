export const countedThings = ['racks', 'shots', 'litres', 'cycles'] as const
export type Counted = (typeof countedThings)[number]

/** What makes a duty fall due. */
export type Trigger =
  | { readonly kind: 'each-close' }
  | { readonly kind: 'each-open' }
  /**
   * So many hours after it was last done. `in-use` counts from opening where it was done before; `clock` counts through the night.
   * `room`: by the temperature of the refrigerated room, as the code's table has it.
   */
  | { readonly kind: 'hours'; readonly hours: number | 'room'; readonly counts: 'in-use' | 'clock' }
  /** At the close of one weekday, 1 is Monday; at the next trading day's where the site is closed then. */
  | { readonly kind: 'weekly'; readonly day: number }
  /** Months from when it was last done. */
  | { readonly kind: 'months'; readonly months: number }
  | { readonly kind: 'count'; readonly of: Counted; readonly every: number }
  /** When somebody saw it: "scale", "grease grey". */
  | { readonly kind: 'sign'; readonly sign: string }
  /** When something is expected to cross its limit: a bath, a rinse temperature. */
  | { readonly kind: 'predicted'; readonly what: string }
  /** With another procedure of the same station. */
  | { readonly kind: 'linked'; readonly to: string }

export interface StationDuty {
  readonly procedure: string
  readonly trigger: Trigger
  /** Where the duty comes from: a code section, the manual, the site's own target. */
  readonly rule: string
}

export interface Warranty {
  /** ISO date, the last day. */
  readonly until: string
  /** Whom to call first. */
  readonly company: string
  readonly phone: string
}

export interface StationSet {
  readonly name: string
  /** A short number on its tag, for finding it. */
  readonly tag: string
  readonly place: string
  readonly family: string
  readonly model: string
  /** The data plate's numbers that procedures take: volumes in mL, times in minutes, counts. */
  readonly parameters: Readonly<Record<string, number>>
  readonly duties: readonly StationDuty[]
  /** Where the manual gives a number of the plate: its page, by the number's name. */
  readonly pages?: Readonly<Record<string, string>>
  /** What this model or site chose of its procedures' options. */
  readonly options?: Readonly<Record<string, string>>
  /** When it must be up: in the rushes, or as long as the site trades. */
  readonly up?: 'rush' | 'trading'
  /** Its numbers are those of a typical model: nobody has compared them with its own plate yet. */
  readonly typical?: true
  /** Who mends it for nothing, and until when; absent where nobody has entered it. */
  readonly warranty?: Warranty
  /** It stands here no more; what was done on it stays. */
  readonly retired?: true
}
