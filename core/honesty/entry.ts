/** Something that a person entered on a tablet, as far as it tells how it was entered. */
export interface Entry {
  readonly record: string
  readonly person: string
  readonly tablet: string
  /** Milliseconds UTC, by the tablet's own entry clock put right by the server's: when it was tapped, never when it arrived. */
  readonly at: number
  readonly station: string | null
  /** Where that station stands; empty where nobody has said. */
  readonly area: string
  readonly what: Entered
}

export type Entered =
  /** A strip as it was picked. @see like what it was dipped in: the same product for the same use. */
  | { readonly kind: 'strip'; readonly like: string; readonly block: string }
  /** A number that was typed off an instrument, in its own unit. */
  | { readonly kind: 'number'; readonly like: string; readonly value: number }
  /** A step that takes hands, and how many minutes of work it is where it is done as planned. */
  | { readonly kind: 'step'; readonly minutes: number }
  /** A cleaning from its first step to its end: minutes that its waits last at least, and that its work is planned with. */
  | { readonly kind: 'run'; readonly from: number; readonly waits: number; readonly work: number }

/** A person's shift, milliseconds UTC. */
export interface OnShift {
  readonly person: string
  readonly from: number
  readonly to: number
}

/** What is looked through: some days, whole. */
export interface Looked {
  readonly entries: readonly Entry[]
  /** Who was on shift, on the days that have a roster; a day without one says nothing. */
  readonly shifts: readonly OnShift[]
  /** The days that they are of, from and to, milliseconds UTC. */
  readonly rostered: readonly { readonly from: number; readonly to: number }[]
}

/** A question for the manager, with what it rests on. Never an accusation: each has honest answers. */
export type Question = {
  readonly person: string
  /** The first and the last of the entries that it is about, milliseconds UTC. */
  readonly from: number
  readonly to: number
  readonly records: readonly string[]
} & (
  | {
      /** The same again and again, where others who read the same did not. */
      readonly kind: 'always-the-same'
      readonly like: string
      readonly value: string
      readonly times: number
      /** How often others read that one, 0 to 1, of how many. */
      readonly othersShare: number
      readonly others: number
      readonly chance: number
    }
  | {
      /** Whole numbers, where others on the same instruments wrote tenths. */
      readonly kind: 'round-numbers'
      readonly like: string
      readonly round: number
      readonly of: number
      readonly othersShare: number
      readonly chance: number
    }
  | {
      /** Much work at several stations in a few minutes. */
      readonly kind: 'all-at-once'
      readonly stations: number
      readonly minutes: number
      readonly work: number
    }
  | { readonly kind: 'shorter-than-its-waits'; readonly minutes: number; readonly least: number }
  | { readonly kind: 'two-places'; readonly seconds: number; readonly areas: readonly [string, string] }
  | { readonly kind: 'not-on-shift'; readonly entries: number }
)
export const questionKinds = [
  'always-the-same',
  'round-numbers',
  'all-at-once',
  'shorter-than-its-waits',
  'two-places',
  'not-on-shift',
] as const satisfies readonly Question['kind'][]
export type QuestionKind = (typeof questionKinds)[number]
