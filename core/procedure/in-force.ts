import type { JudgedReading } from '../reading/reading.ts'
import type { RecipeRange } from '../house/mix.ts'
import type { Agent } from '../rules/index.ts'
import type { ChemicalClass } from '../solution/index.ts'
import type { Procedure, Step } from './language.ts'

/** Hours that a machine stays sanitized where the site has set none. Common practice, no source. */
export const defaultFreshHours = 4

/** What a product's label says for one use, as far as a run depends on it. */
export interface LabelInForce {
  readonly use: string
  readonly product: string
  readonly name: string
  /** What sanitizes in it; null where it does not. */
  readonly agent: Agent | null
  readonly chemicalClass: ChemicalClass | null
  /** Null where the label names none, or nobody has entered it. */
  readonly contactSeconds: number | null
  /** One and the same agent washes and sanitizes. */
  readonly alsoWashes: boolean
}

/**
 * What the site's records said when a record was made: the plate's numbers, the site's own procedure, the label. The server
 * writes it into the record; nothing of it is taken from whoever sends.
 */
export interface InForce {
  readonly parameters?: Readonly<Record<string, number>>
  readonly options?: Readonly<Record<string, string>>
  /** The site's own procedure that a run is worked to. */
  readonly document?: Procedure
  readonly label?: LabelInForce
  /** What another mix asks of the machine before it goes in. */
  readonly asks?: 'full-clean' | 'none'
  /** What the recipe of the mix in the machine asks of what a step reads. */
  readonly recipe?: RecipeRange
  readonly judged?: JudgedReading
  /** Hours after which a sanitized machine is sanitized again before product. */
  readonly freshHours?: number
}

/** The use of a product that a step mixes, or dips a strip in; null where it does neither. */
export const useOf = (step: Step): string | null =>
  step.kind === 'mix' || (step.kind === 'check' && step.what === 'sanitizer') ? step.use : null

declare module '../stream/record.ts' {
  interface ChainFields {
    /** What the site's records said then, where a record depends on it; absent in records of before the server wrote it. */
    readonly inForce?: InForce
  }
}
