/** What was done about a reading that was out or too close. */
export interface CaseAction {
  readonly case: string
  readonly station: string | null
  readonly run: string | null
  readonly bath: string | null
  readonly did: 'strengthened' | 'weakened' | 'drained-refilled' | 'remixed' | 'discarded' | 'other'
  /** What was added or drained, in `unit`; null where nothing was. */
  readonly amount: number | null
  /** Absent: mL. `share`: a part of the bath. */
  readonly unit?: 'mL' | 'g' | 'pieces' | 'share' | undefined
  readonly note: string
}

/** Closed without a recheck in band: by a shift lead, with a reason. */
export interface CaseClosed {
  readonly case: string
  readonly station: string | null
  readonly reason: string
}
