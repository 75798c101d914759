import type { Act, Facets } from './facets.ts'

/** A number on the model's data plate, by name, or a fixed one. */
export type Parameter = number | { readonly of: string }

interface StepBase {
  /** Unique among its siblings; no dots. */
  readonly id: string
  /** Short and imperative. May name parameters in braces: "Pour in {rinse}". */
  readonly title: string
  readonly text?: string
  readonly caution?: string
  /** What right looks like. */
  readonly right?: string
  /** What becomes of the station when it is done. */
  readonly effects?: Partial<Facets>
  /** An act that the station's state may forbid; the interface blocks it then. */
  readonly act?: Act
}

export type Step = StepBase &
  (
    | { readonly kind: 'do' }
    /** A state that must be true first. Hazardous ones are held, by the person who reaches in. */
    | { readonly kind: 'gate'; readonly hazardous: boolean }
    | {
        readonly kind: 'mix'
        /** Which of the site's products: by what it is used for. */
        readonly use: string
        /** mL. */
        readonly volume: Parameter
        readonly vessel: string
        /** mL the vessel holds. */
        readonly capacity: Parameter
        readonly water: { readonly lo: number; readonly hi: number; readonly unit: '°C' }
      }
    /** `during` holds while it runs. */
    | {
        readonly kind: 'wait'
        readonly minutes: Parameter
        readonly attended: boolean
        readonly during?: Partial<Facets>
      }
    | { readonly kind: 'check'; readonly what: 'sanitizer'; readonly use: string }
    | { readonly kind: 'check'; readonly what: 'cold-product' }
    | { readonly kind: 'parts'; readonly direction: 'out' | 'in'; readonly parts: readonly Part[] }
    | { readonly kind: 'inspect'; readonly choices: readonly InspectChoice[] }
    | {
        readonly kind: 'lubricate'
        readonly yes: readonly Lubricated[]
        /** What must stay dry. */
        readonly never: readonly string[]
      }
    | { readonly kind: 'product' }
  )

export interface Part {
  readonly id: string
  readonly name: string
  readonly count: number
}

export interface Lubricated {
  readonly part: string
  readonly amount: 'film' | 'pea' | 'packed'
}

export interface InspectChoice {
  readonly id: string
  readonly name: string
  /** What it means: go on, keep an eye on it, replace, or stop and call. */
  readonly outcome: 'fine' | 'watch' | 'replace' | 'technician'
}

/** A group repeated until its sign shows. */
export interface Until {
  readonly kind: 'until'
  readonly id: string
  readonly title: string
  /** The question whose yes ends it: "Did it run clear?" */
  readonly sign: string
  /** More rounds than this are told to be unusual. */
  readonly usualRounds: number
  readonly steps: readonly Step[]
}

export type Node = Step | Until

export interface Procedure {
  readonly id: string
  readonly version: number
  readonly name: string
  readonly family: string
  readonly nodes: readonly Node[]
  /** Names of the model's numbers that it takes, with their units. */
  readonly parameters: Readonly<Record<string, 'mL' | 'min' | 'count'>>
  readonly materials: readonly string[]
  readonly cautions: readonly string[]
}
