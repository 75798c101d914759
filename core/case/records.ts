import { subject, type RulesOf } from '../stream/rules.ts'

export const caseActs = [
  'strengthened',
  'weakened',
  'drained-refilled',
  'remixed',
  'discarded',
  /** Food, into another place that keeps it cold. */
  'moved',
  /** Food, served before its time was over. */
  'used-up',
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

/** What a corrective action may be opened for beside a reading that is not in range, which opens its own. */
export const caseOrigins = ['late-duty', 'not-done', 'inspection', 'stop', 'device', 'by-hand'] as const
export type CaseOrigin = (typeof caseOrigins)[number]

/** Opened by a person: what happened, in their own words. */
export interface CaseOpened {
  readonly case: string
  readonly station: string | null
  readonly run: string | null
  readonly origin: CaseOrigin
  readonly said: string
}

/** What a corrective action tells beside what was measured: what was done at once, why it happened, what keeps it from happening again. */
export const caseParts = ['immediate', 'cause', 'fix'] as const
export type CasePart = (typeof caseParts)[number]

/** One of these, in the words of who tells it. Told again, the later stands beside the earlier. */
export interface CaseTold {
  readonly case: string
  readonly station: string | null
  readonly part: CasePart
  readonly said: string
}

/** Closed without a recheck in band: by a shift lead, with a reason. */
export interface CaseClosed {
  readonly case: string
  readonly station: string | null
  readonly reason: string
}

interface CasePayloads {
  'case.opened@1': CaseOpened
  'case.told@1': CaseTold
  'case.action@1': CaseAction
  'case.closed@1': CaseClosed
}

declare module '../stream/record.ts' {
  interface Payloads extends CasePayloads {}
}

export const caseRecords: RulesOf<keyof CasePayloads> = {
  'case.opened@1': { needs: 'record', typed: true, tap: true },
  'case.told@1': { needs: 'record', typed: true, tap: true },
  'case.action@1': {
    needs: 'record',
    typed: true,
    tap: true,
    concerns: (action) => [...subject('case', action.case), ...subject('bath', action.bath)],
  },
  'case.closed@1': { needs: 'close-case' },
}
