import { subject, type RulesOf } from '../stream/rules.ts'

export const caseActs = [
  'strengthened',
  'weakened',
  'drained-refilled',
  'remixed',
  'discarded',
  'other',
] as const
export type CaseAct = (typeof caseActs)[number]

/** What was done about a reading that was out or too close. */
export interface CaseAction {
  readonly case: string
  readonly station: string | null
  readonly run: string | null
  readonly bath: string | null
  readonly did: CaseAct
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

interface CasePayloads {
  'case.action@1': CaseAction
  'case.closed@1': CaseClosed
}

declare module '../stream/record.ts' {
  interface Payloads extends CasePayloads {}
}

export const caseRecords: RulesOf<keyof CasePayloads> = {
  'case.action@1': {
    needs: 'record',
    typed: true,
    tap: true,
    concerns: (action) => [...subject('case', action.case), ...subject('bath', action.bath)],
  },
  'case.closed@1': { needs: 'close-case' },
}
