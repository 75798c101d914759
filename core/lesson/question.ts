import type { InstrumentSet, ProductSet } from '../house/index.ts'
import type { InspectChoice, Procedure } from '../procedure/index.ts'
import type { Instant, Interval, UnitSystem } from '../quantity/index.ts'
import type { StripPick } from '../rules/index.ts'
import type { ClashEffect } from '../solution/index.ts'

/** What a check asks; each kind is made from the site's own procedures, labels, rules and machines. */
export const questionKinds = ['strip', 'dose', 'first', 'dry', 'meet', 'sheet', 'now'] as const
export type QuestionKind = (typeof questionKinds)[number]

/** What a strip tells of a solution. */
export const stripAnswers = ['in', 'too-weak', 'too-strong', 'too-close'] as const
export type StripAnswer = (typeof stripAnswers)[number]

/** What of a made-up day is read at a thermometer, each held against one section of the code. */
export const readAt = ['product', 'rinse', 'washWater'] as const

/** One line of a made-up day, with what was read, in the unit that the site works in. */
export type SheetLine =
  | { readonly of: (typeof readAt)[number]; readonly value: number; readonly unit: '°C' | '°F' }
  | (OfLabel & { readonly of: 'strength'; readonly unit: 'ppm' })
  | (OfLabel & { readonly of: 'contact'; readonly unit: 's' })

/** What a label says of one use. */
interface OfLabel {
  readonly product: string
  readonly use: string
  readonly value: number
}

/** An answer that can be picked. */
export type Answer =
  | { readonly is: 'strip'; readonly says: StripAnswer }
  | { readonly is: 'amount'; readonly millilitres: number }
  /** A step's title as the procedure has it, with the machine's numbers still in braces. */
  | { readonly is: 'step'; readonly title: string }
  | { readonly is: 'part'; readonly name: string }
  | { readonly is: 'product'; readonly name: string }
  | { readonly is: 'line'; readonly line: SheetLine }
  | { readonly is: 'outcome'; readonly outcome: InspectChoice['outcome'] }

/** What is asked, as far as a sentence needs it. */
export type Asks =
  | {
      readonly kind: 'strip'
      readonly product: string
      readonly use: string
      readonly range: { readonly lo: number; readonly hi: number }
      readonly blocks: readonly number[]
      readonly colours: readonly string[]
      /** Never told in words: it is drawn. */
      readonly shows: StripPick
    }
  | {
      readonly kind: 'dose'
      readonly product: string
      readonly step: string
      readonly vessel: string
      readonly millilitres: number
    }
  | { readonly kind: 'first'; readonly procedure: string }
  | { readonly kind: 'dry'; readonly procedure: string }
  | { readonly kind: 'meet'; readonly product: string }
  | { readonly kind: 'sheet' }
  | { readonly kind: 'now'; readonly step: string; readonly found: string }

/** Why the right answer is right, and where it is said. */
export type Because =
  | { readonly kind: 'label'; readonly product: string }
  | { readonly kind: 'procedure'; readonly procedure: string }
  | { readonly kind: 'clash'; readonly effect: ClashEffect | null }
  | {
      readonly kind: 'line'
      readonly line: SheetLine
      /** The section of the code, or null where the product's label says it. */
      readonly section: string | null
      readonly limit: Interval
    }

export interface Question {
  /** What it is about, the same whatever is drawn: by it a wrong one comes back later. */
  readonly card: string
  readonly asks: Asks
  readonly answers: readonly Answer[]
  /** Place of the right one. */
  readonly right: number
  readonly because: Because
}

/** What of a site questions are made of. */
export interface LessonKnown {
  readonly system: UnitSystem
  readonly procedure: Procedure
  /** Numbers and choices of a machine here that it is worked on. */
  readonly parameters: Readonly<Record<string, number>>
  readonly options: Readonly<Record<string, string>>
  readonly products: readonly (ProductSet & { readonly id: string })[]
  readonly instruments: readonly (InstrumentSet & { readonly id: string })[]
  /** Whether there is a dish machine that sanitizes by heat. */
  readonly hotDishMachine: boolean
  readonly now: Instant
}

/** Random numbers in [0, 1). */
export type Random = () => number
