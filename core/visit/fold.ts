import type { Fold } from '../stream/fold.ts'
import { correctedAt } from '../stream/record.ts'
import type { VisitDone, VisitSet } from './records.ts'

export interface VisitState {
  readonly id: string
  readonly visit: VisitSet | null
  readonly done: (VisitDone & { readonly at: number; readonly by: string }) | null
}

export const visitFold: Fold<VisitState> = {
  initial: (id) => ({ id, visit: null, done: null }),
  apply(state, record) {
    if (record.type === 'visit.set@1') return { ...state, visit: record.payload }
    if (record.type === 'visit.done@1')
      return { ...state, done: { ...record.payload, at: correctedAt(record), by: record.by } }
    return state
  },
}

export interface VisitAhead extends VisitSet {
  readonly id: string
  readonly is: 'late' | 'today' | 'ahead'
}

/** Visits that are still to come, and those that nobody came for: by day. @param day ISO date. */
export const visitsAhead = (visits: readonly VisitState[], day: string): VisitAhead[] =>
  visits
    .flatMap(({ id, visit, done }): VisitAhead[] => {
      if (!visit || visit.ended || done) return []
      return [{ ...visit, id, is: visit.day < day ? 'late' : visit.day === day ? 'today' : 'ahead' }]
    })
    .toSorted((a, b) => a.day.localeCompare(b.day))
