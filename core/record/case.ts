/** What was done about a reading that was out or too close. */
export interface CaseAction {
  readonly case: string
  readonly station: string | null
  readonly run: string | null
  readonly bath: string | null
  readonly did: 'strengthened' | 'weakened' | 'drained-refilled' | 'remixed' | 'discarded' | 'other'
  /** mL, where something was added or drained. */
  readonly amount: number | null
  readonly note: string
}

/** Closed without a recheck in band: by a shift lead, with a reason. */
export interface CaseClosed {
  readonly case: string
  readonly station: string | null
  readonly reason: string
}
