/** A spare as it lies on the shelf: set by counting it. */
export interface SpareSet {
  readonly name: string
  /** Families of machines that it fits; empty: any. */
  readonly fits: readonly string[]
  readonly count: number
}

/** A spare was built in, for what an inspection asked. */
export interface SpareDrawn {
  readonly spare: string
  readonly station: string
  readonly count: number
}
