/** A spare as it lies on the shelf: set by counting it. */
export interface SpareSet {
  readonly name: string
  /** Families of machines that it fits; empty: any. */
  readonly fits: readonly string[]
  readonly count: number
  /** As its maker sells it. */
  readonly partNumber?: string
}

/** A spare was built in: for what an inspection asked, or by a step of a run. Below zero: that step was taken back. */
export interface SpareDrawn {
  readonly spare: string
  readonly station: string
  readonly count: number
}
