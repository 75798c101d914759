/** The day's log signed by a shift lead or manager with their own PIN. */
export interface ShiftSigned {
  /** The site's trading day, ISO date. */
  readonly day: string
  /** The last record that the signature covers. */
  readonly upTo: number
  /** That record's hash: whoever holds the signature can tell whether what it covers was written anew. Absent in older ones. */
  readonly head?: string
  /** Cases that were open when it was signed. */
  readonly openCases: readonly string[]
  /** Why it was signed over what was left; empty where nothing was. */
  readonly reason: string
  /** What was not done, late, cut short, open or out of service when it was signed; absent in signatures of before it was looked at. */
  readonly left?: readonly {
    readonly what: string
    readonly station?: string
    readonly procedure?: string
  }[]
}
