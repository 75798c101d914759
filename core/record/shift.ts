/** The day's log signed by a shift lead or manager with their own PIN. */
export interface ShiftSigned {
  /** The site's trading day, ISO date. */
  readonly day: string
  /** The last record that the signature covers. */
  readonly upTo: number
  /** Cases that were open when it was signed. */
  readonly openCases: readonly string[]
  /** Why it was signed over open cases; empty where there were none. */
  readonly reason: string
}
