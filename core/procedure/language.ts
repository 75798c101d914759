import type { RecipeSide } from '../house/mix.ts'
import type { SharedPlace } from '../house/site.ts'
import type { Verdict } from '../rules/index.ts'
import type { Act, Facets } from './facets.ts'
import type { Parameter, ParameterUnit } from './parameter.ts'

/** Holds for a run whose option has this choice. */
export interface When {
  readonly option: string
  readonly is: readonly string[]
}

interface NodeBase {
  /** Unique among its siblings; no dots. */
  readonly id: string
  /** Left out of runs whose options say otherwise; all of them must hold. */
  readonly when?: readonly When[]
}

export const compartments = ['wash', 'rinse', 'sanitize'] as const
export type Compartment = (typeof compartments)[number]

export const touches = ['dirty', 'food'] as const
export type Touch = (typeof touches)[number]

interface StepBase extends NodeBase {
  /** Short and imperative. May name parameters in braces: "Pour in {rinse}", and numbers that every unit system says its own way: "{5 °C}". */
  readonly title: string
  readonly text?: string
  readonly caution?: string
  /** What right looks like. */
  readonly right?: string
  /** What becomes of the station when it is done. */
  readonly effects?: Partial<Facets>
  /** A site's own photos of it, a right and a wrong one where it goes on one way only. */
  readonly pictures?: readonly Picture[]
  /** An act that the station's state may forbid; the interface blocks it then. */
  readonly act?: Act
  /** Minutes of a person's work; common practice for its kind where it is left out. */
  readonly minutes?: Parameter
  /** People who must do it together; one where it is left out. */
  readonly hands?: 1 | 2
  /** What one's hands touch: after dirty work they are washed before they touch food or clean parts. */
  readonly touches?: Touch
  /** After it the machine and its parts lie as somebody else may find them and go on. */
  readonly handover?: boolean
  /** For one of them only: the work of a licensed or trained person. */
  readonly who?: 'lead' | 'technician'
  /** Where it is worked, when not at the machine: it takes that place in the plan. */
  readonly at?: SharedPlace
  /** The compartment of a sink that it fills afresh: its age counts from then. */
  readonly fills?: Compartment
  /** What is built in comes off the shelf: which spare it was is asked, where the site counts any. */
  readonly spare?: boolean
  /** The use of a product mixed before that by its label washes and sanitizes: it may follow its own wash (4-501.115). */
  readonly sameAgent?: string
}

/**
 * What a wait is for. Contact, drying and flushing count only when their time has passed; a machine is cool only then; thawing and
 * loosening may be ended early and are told so; `run` is a machine's own cycle on which nothing relies.
 */
export const waitKinds = [
  'contact',
  'dissolve',
  'cool',
  'heat',
  'dry',
  'thaw',
  'freeze',
  'flush',
  'run',
] as const
export type WaitKind = (typeof waitKinds)[number]

/** How a thing is fastened; each has its drawing. */
export const fastenings = ['crosswise', 'evenly', 'hand-tight', 'reverse-thread', 'turn', 'one-way'] as const
export type Fastening = (typeof fastenings)[number]

export const isolations = ['front', 'plug', 'breaker'] as const
export type Isolation = (typeof isolations)[number]

export type Step = StepBase &
  (
    | { readonly kind: 'do' }
    /** A state that must be true first. Hazardous ones are held, by the person who reaches in. */
    | {
        readonly kind: 'gate'
        readonly hazardous: boolean
        /** How it cuts the machine off, where it does. */
        readonly by?: Isolation
        /** What is worn from here on. */
        readonly wear?: readonly string[]
      }
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
        /** mL of the product by the model's own table; by its label where the plate does not say. */
        readonly amount?: Parameter
        /** Mixed and used in the machine: the volume is all that it takes. */
        readonly acid?: boolean
      }
    /** `during` holds while it runs. */
    | {
        readonly kind: 'wait'
        /** Absent in procedures of before waits had a kind: then it is held to be contact. */
        readonly of?: WaitKind
        readonly length: Parameter
        /** Not longer than this, minutes. */
        readonly most?: Parameter
        readonly attended: boolean
        /** What to look at meanwhile. */
        readonly watch?: string
        readonly during?: Partial<Facets>
      }
    /** A wait with a short duty every so many minutes. */
    | {
        readonly kind: 'tend'
        readonly of?: WaitKind
        readonly length: Parameter
        readonly every: Parameter
        /** What each visit does: "Top up the reservoir". */
        readonly duty: string
        /** What a late visit leads to. */
        readonly late: string
        /** mL of solution that its visits pour in, all in all: how far it is is told by what was used. */
        readonly uses?: Parameter
        readonly during?: Partial<Facets>
      }
    | {
        readonly kind: 'check'
        readonly what: 'sanitizer'
        readonly use: string
        /** ppm that the machine's manual asks for, beside code and label; where the plate does not say, they alone do. */
        readonly from?: Parameter
        readonly to?: Parameter
      }
    | { readonly kind: 'check'; readonly what: 'cold-product' | 'wash-water' | 'dish-machine' | 'hot-water' }
    | {
        readonly kind: 'parts'
        readonly direction: 'out' | 'in'
        readonly parts: readonly Part[]
        /** This cycle runs with these out, by id: they come back later. */
        readonly leave?: readonly string[]
      }
    | { readonly kind: 'inspect'; readonly choices: readonly InspectChoice[] }
    | {
        readonly kind: 'lubricate'
        readonly yes: readonly Lubricated[]
        /** What must stay dry. */
        readonly never: readonly string[]
      }
    | {
        readonly kind: 'fasten'
        readonly how: Fastening
        readonly what: string
        readonly count: number
        /** The number on the model's plate that stands in its place, all in all. */
        readonly of?: string
        /** The number on the plate that it is shared out among: the nuts of every door, drawn for one. */
        readonly each?: string
        readonly why: string
      }
    | { readonly kind: 'product' }
    /** A number that is read off and kept; judged where the model has limits for it. */
    | {
        readonly kind: 'read'
        /** What is read: "Flow number". */
        readonly what: string
        readonly unit: ParameterUnit
        readonly from?: Parameter
        readonly to?: Parameter
        /** What one portion of it is, in the same unit: how many it makes is told. */
        readonly portion?: Parameter
        /** Judged by the recipe of the mix in the machine instead. */
        readonly recipe?: RecipeSide
      }
  )

export interface Part {
  readonly id: string
  readonly name: string
  /** As many as most machines have; where `per` is given, for one of those. */
  readonly count: number
  /** The number on the model's plate that it comes so many times: one door for every barrel. */
  readonly per?: string
  /** The number on the model's plate that stands in its place, all in all; where the plate lacks it, it is counted as it comes out. */
  readonly of?: string
  /** Not on the list of runs whose options say otherwise. */
  readonly when?: readonly When[]
  readonly picture?: Picture
}

/** A photo of the site's, by the hash of its bytes. */
export interface Picture {
  readonly sha256: string
  /** What is to be seen on it, for who does not see it. */
  readonly says: string
  readonly shows?: 'right' | 'wrong'
}

export interface Lubricated {
  readonly part: string
  readonly when?: readonly When[]
  readonly amount: 'film' | 'pea' | 'generous' | 'packed'
}

export interface InspectChoice {
  readonly id: string
  readonly name: string
  /** What it means: go on, keep an eye on it, replace, regrease, or stop and call. */
  readonly outcome: 'fine' | 'watch' | 'regrease' | 'replace' | 'technician'
}

/** Repeated until its sign shows. */
export interface Until extends NodeBase {
  readonly kind: 'until'
  readonly title: string
  /** The question whose yes ends it: "Did it run clear?" */
  readonly sign: string
  /** More rounds than this are told to be unusual. */
  readonly usualRounds: number
  /** Rounds that planning reckons with. */
  readonly expected?: number
  readonly steps: readonly Node[]
}

/** Once for every barrel, bowl or group head, each in a lane of its own. */
export interface Each extends NodeBase {
  readonly kind: 'each'
  /** "barrel": lanes are named by it and their number. */
  readonly unit: string
  readonly count: Parameter
  readonly steps: readonly Node[]
}

export interface Lane {
  readonly id: string
  readonly title: string
  readonly steps: readonly Node[]
}

/** Lanes that go on side by side: what one waits for, another fills. */
export interface Together extends NodeBase {
  readonly kind: 'together'
  readonly lanes: readonly Lane[]
}

/** Only after these outcomes of an inspection made before it, these choices of it, or these first verdicts of a check. */
export interface Branch extends NodeBase {
  readonly kind: 'branch'
  readonly on: string
  readonly is: readonly (InspectChoice['outcome'] | Verdict)[]
  /** Choices by their ids, where their outcomes do not tell them apart. */
  readonly chose?: readonly string[]
  /** Usually gone into: planning reckons with it. */
  readonly expected?: boolean
  readonly steps: readonly Node[]
}

export type Node = Step | Until | Each | Together | Branch

/** A question on which sites or models differ, with the default and its reason. */
export interface Option {
  readonly id: string
  readonly question: string
  readonly choices: readonly { readonly id: string; readonly says: string }[]
  readonly fallback: string
  readonly why: string
}

export interface Procedure {
  readonly id: string
  readonly version: number
  readonly name: string
  readonly family: string
  readonly nodes: readonly Node[]
  /** Names of the model's numbers that it takes, with their units. */
  readonly parameters: Readonly<Record<string, ParameterUnit>>
  readonly options?: readonly Option[]
  readonly materials: readonly string[]
  readonly cautions: readonly string[]
  /** How the machine must be cut off before hands go in; `none` where nothing in it moves, is hot or live. */
  readonly isolation?: Isolation | 'none'
  /** The state that it is begun in, as far as its safety depends on it. */
  readonly begins?: Partial<Facets>
  /** The state that every way through it must end in. */
  readonly ends?: Partial<Facets>
  /** May freeze its own solution, as some ice makers do on purpose. */
  readonly freezesSolution?: boolean
}
