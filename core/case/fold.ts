import type { ReadingTaken } from '../reading/reading.ts'
import type { Verdict } from '../rules/index.ts'
import type { Fold } from '../stream/fold.ts'
import { correctedAt } from '../stream/record.ts'
import type { CaseAction } from './records.ts'

export interface CaseState {
  readonly id: string
  readonly status: 'open' | 'closed' | 'void'
  readonly openedAt: number
  readonly verdict: Verdict | null
  readonly station: string | null
  readonly run: string | null
  readonly bath: string | null
  /** What was read, or an act that the state forbade. */
  readonly what: ReadingTaken['what'] | 'forbidden-act' | null
  readonly actions: readonly (CaseAction & { readonly at: number; readonly by: string })[]
  readonly closedAt: number | null
  /** The recheck that closed it, or null where it was closed with a reason. */
  readonly closedBy: string | null
  readonly reason: string
}

/** A corrective case: opened by a reading that is not in, closed by a recheck that is, or by a lead with a reason. */
export const caseFold: Fold<CaseState> = {
  initial: (id) => ({
    id,
    status: 'open',
    openedAt: 0,
    verdict: null,
    station: null,
    run: null,
    bath: null,
    what: null,
    actions: [],
    closedAt: null,
    closedBy: null,
    reason: '',
  }),
  apply(state, record) {
    if (record.type === 'reading.taken@1') {
      const { payload } = record
      if (record.id === state.id)
        return {
          ...state,
          // Amended to a pass, it stays open: a case closes by a recheck, not by another number.
          status: payload.judgement.overall === 'in' && !record.amended ? 'void' : 'open',
          openedAt: correctedAt(record),
          verdict: payload.judgement.overall,
          station: payload.station,
          run: payload.run,
          bath: payload.bath,
          what: payload.what,
        }
      if (payload.judgement.overall === 'in' && state.status === 'open')
        return { ...state, status: 'closed', closedAt: correctedAt(record), closedBy: record.id }
    }
    const isStep = record.type === 'run.step.done@1' || record.type === 'run.step.done@2'
    if (isStep && record.id === state.id) {
      const { station, run } = record.payload
      return { ...state, openedAt: correctedAt(record), station, run, what: 'forbidden-act' }
    }
    if (record.type === 'case.action@1')
      return {
        ...state,
        actions: [...state.actions, { ...record.payload, at: correctedAt(record), by: record.by }],
      }
    if (record.type === 'case.closed@1' && state.status === 'open')
      return { ...state, status: 'closed', closedAt: correctedAt(record), reason: record.payload.reason }
    return state
  },
}
