/** A part that was built in, as it is typed. */
export interface PartTyped {
  /** One of the site's own; null: they brought it. */
  readonly spare: string | null
  readonly name: string
  readonly count: number | null
  readonly price: number | null
}
