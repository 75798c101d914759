import type { Millilitres, Ppm } from '../quantity/index.ts'

/** How a label states the dose. The label's own meaning is kept: "1:N" and "1 in N" are told apart. */
export type Supply =
  /** A liquid of known strength, in mg/L of the active agent (available chlorine for hypochlorite). */
  | { readonly kind: 'strength'; readonly stock: Ppm }
  /** "1 to N": one part to N parts of water. "1 in N": one part in N parts of solution. */
  | { readonly kind: 'ratio'; readonly parts: number; readonly meaning: 'to' | 'in' }
  /** So many millilitres to each litre of water. */
  | { readonly kind: 'per-litre'; readonly millilitres: Millilitres }

/** What may not meet: see the clash rules. */
export type ChemicalClass =
  'hypochlorite' | 'quat' | 'detergent' | 'acid' | 'ammonia' | 'peroxide' | 'alkaline'

/** A jug, beaker or syringe, with the marks a person can read on it. */
export interface MeasuringTool {
  readonly name: string
  readonly capacity: Millilitres
  /** The distance between two marks. */
  readonly graduation: Millilitres
  /** What the tool itself may be off by, either way. */
  readonly error: Millilitres
}
