/** A mutant that changes nothing which anybody could see: no test can kill it. Listed by hand, each with its reason. */
export interface Equivalent {
  readonly file: string
  /** The line that is mutated, without its indentation. */
  readonly line: string
  readonly mutator: string
  /** What the mutator puts there. */
  readonly replacement: string
  readonly reason: string
}

export const equivalents: readonly Equivalent[] = []
