import type { ReadingTaken } from '../reading/reading.ts'
import type { Verdict } from '../rules/index.ts'
import type { Fold } from '../stream/fold.ts'
import { correctedAt } from '../stream/record.ts'
import type { CaseAct, CaseAction, CaseOrigin, CaseTold } from './records.ts'

export interface CaseState {
  readonly id: string
  readonly status: 'open' | 'closed' | 'void'
  readonly openedAt: number
  /** Who opened it, or took the reading that did. */
  readonly by: string
  readonly verdict: Verdict | null
  readonly station: string | null
  readonly run: string | null
  readonly bath: string | null
  /** What was read, or an act that the state forbade. */
  readonly what: ReadingTaken['what'] | 'forbidden-act' | null
  /** What a person opened it for, and in which words; null where a reading or an act opened it. */
  readonly origin: CaseOrigin | null
  readonly said: string
  readonly told: readonly (Pick<CaseTold, 'part' | 'said'> & { readonly at: number; readonly by: string })[]
  readonly actions: readonly (CaseAction & { readonly at: number; readonly by: string })[]
  /** Where food is kept it was read cold again: it closes once somebody has said what became of what stood warm. Absent elsewhere. */
  readonly coldAgain?: { readonly record: string; readonly at: number; readonly by: string }
  readonly closedAt: number | null
  /** The recheck that closed it, or null where it was closed with a reason. */
  readonly closedBy: string | null
  /** Who took that recheck, or closed it. */
  readonly endedBy: string | null
  readonly reason: string
}

/**
 * A corrective case: opened by a reading that is not in or by a person, closed by a recheck that is, or by a lead with a
 * reason. Until something opens it, and where that was taken back, there is none.
 */
export const caseFold: Fold<CaseState> = {
  initial: (id) => ({
    id,
    status: 'void',
    openedAt: 0,
    by: '',
    verdict: null,
    station: null,
    run: null,
    bath: null,
    what: null,
    ...{ origin: null, said: '', told: [] },
    actions: [],
    closedAt: null,
    closedBy: null,
    endedBy: null,
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
          by: record.by,
          verdict: payload.judgement.overall,
          station: payload.station,
          run: payload.run,
          bath: payload.bath,
          what: payload.what,
        }
      if (payload.judgement.overall === 'in' && state.status === 'open') {
        const recheck = { record: record.id, at: correctedAt(record), by: record.by }
        const isStore = payload.what === 'cold-product' && payload.reading.store
        if (!isStore || foodTold(state)) return closedBy(state, recheck)
        return { ...state, coldAgain: recheck }
      }
    }
    if (record.type === 'case.opened@1') {
      const { station, run, origin, said } = record.payload
      const opened = { openedAt: correctedAt(record), by: record.by, station, run, origin, said }
      return state.status === 'void' ? { ...state, ...opened, status: 'open' } : state
    }
    if (record.type === 'case.told@1') {
      const { part, said } = record.payload
      return { ...state, told: [...state.told, { part, said, at: correctedAt(record), by: record.by }] }
    }
    const isStep = record.type === 'run.step.done@1' || record.type === 'run.step.done@2'
    if (isStep && record.id === state.id) {
      const { station, run } = record.payload
      const opened = { status: 'open', openedAt: correctedAt(record), by: record.by } as const
      return { ...state, ...opened, station, run, what: 'forbidden-act' }
    }
    if (record.type === 'case.action@1') {
      const done = { ...record.payload, at: correctedAt(record), by: record.by }
      const next = { ...state, actions: [...state.actions, done] }
      const { coldAgain, status } = next
      return coldAgain && status === 'open' && foodTold(next) ? closedBy(next, coldAgain) : next
    }
    if (record.type === 'case.closed@1' && state.status === 'open')
      return {
        ...state,
        ...{ status: 'closed', closedAt: correctedAt(record), endedBy: record.by },
        reason: record.payload.reason,
      }
    return state
  },
}

/** Whether somebody has said what became of the food: cold again is the fridge, not what stood in it. FDA Food Code 2022, 3-701.11. */
const foodActs: readonly CaseAct[] = ['discarded', 'moved', 'used-up']
export const foodTold = ({ actions }: Pick<CaseState, 'actions'>): boolean =>
  actions.some((a) => foodActs.includes(a.did))

const closedBy = (state: CaseState, { record, at, by }: NonNullable<CaseState['coldAgain']>): CaseState => ({
  ...state,
  ...{ status: 'closed', closedAt: at, closedBy: record, endedBy: by },
})
