import type { Interval } from '../quantity/index.ts'
import type { Verdict } from '../rules/index.ts'
import type { CaseAction } from './case.ts'
import type { Fold } from './fold.ts'
import type { ShiftSigned } from './shift.ts'
import { correctedAt, type AnyRecord } from './record.ts'
import type { ReadingTaken } from './reading.ts'
import type { PlanSet } from '../plan/problem.ts'
import { basketsAfter, type Basket } from './baskets.ts'

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
    if (record.type.startsWith('run.step.done@') && record.id === state.id) {
      const { station, run } = record.payload as { station: string; run: string }
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

export interface BathState {
  readonly id: string
  readonly where: string
  readonly station: string | null
  readonly run: string | null
  readonly product: string | null
  /** The label's use that it was mixed for; absent where nobody wrote it down. */
  readonly use?: string | undefined
  readonly productName: string
  readonly volume: number
  readonly capacity: number
  readonly mixedAt: number
  readonly mixedBy: string
  /** ppm aimed at; null where its label gives a dose only. */
  readonly target: number | null
  /** Since when it has stood as it is: mixed, or put right. */
  readonly since: number
  /** What it read since then, oldest first. */
  readonly readings: readonly { readonly at: number; readonly strength: Interval }[]
  /** What was dipped in it, the newest last. */
  readonly baskets: readonly Basket[]
  readonly lastReading: {
    readonly at: number
    readonly strength: Interval | null
    readonly verdict: Verdict
  } | null
}

/** A bath is read a few times in its life. */
const keptReadings = 12

const changes = ({ did }: CaseAction) =>
  did === 'strengthened' || did === 'weakened' || did === 'drained-refilled' || did === 'remixed'

/** A solution in a vessel: what it is, how much, and what it last read. */
export const bathFold: Fold<BathState> = {
  initial: (id) => ({
    id,
    where: '',
    station: null,
    run: null,
    product: null,
    productName: '',
    volume: 0,
    capacity: 0,
    mixedAt: 0,
    mixedBy: '',
    target: null,
    since: 0,
    readings: [],
    baskets: [],
    lastReading: null,
  }),
  apply(state, record) {
    if (record.type === 'ware.in@1' || record.type === 'ware.out@1')
      return { ...state, baskets: basketsAfter(state.baskets, state.product, record) }
    if (record.type === 'bath.mixed@1') {
      const { where, station, run, product, use, productName, volume, capacity, target } = record.payload
      const at = correctedAt(record)
      const mixed = { mixedAt: at, mixedBy: record.by, target, since: at, readings: [], lastReading: null }
      return { ...state, where, station, run, product, use, productName, volume, capacity, ...mixed }
    }
    if (record.type === 'reading.taken@1' && record.payload.what === 'sanitizer') {
      const { strength } = record.payload.reading
      const read = strength ? [{ at: correctedAt(record), strength }] : []
      return {
        ...state,
        readings: [...state.readings, ...read].slice(-keptReadings),
        lastReading: {
          at: correctedAt(record),
          strength: record.payload.reading.strength,
          verdict: record.payload.judgement.overall,
        },
      }
    }
    if (record.type === 'case.action@1') {
      const volume = volumeAfter(state.volume, record.payload)
      // Put right, it begins anew: what it read before tells nothing of it.
      return changes(record.payload)
        ? { ...state, volume, since: correctedAt(record), readings: [] }
        : { ...state, volume }
    }
    return state
  },
}

function volumeAfter(volume: number, action: CaseAction): number {
  const adds = action.did === 'strengthened' || action.did === 'weakened'
  return adds && (action.unit ?? 'mL') === 'mL' ? volume + (action.amount ?? 0) : volume
}

export interface ShiftState {
  readonly id: string
  readonly signatures: readonly (ShiftSigned & { readonly at: number; readonly by: string })[]
}

/** A trading day and who signed it. */
export const shiftFold: Fold<ShiftState> = {
  initial: (id) => ({ id, signatures: [] }),
  apply: (state, record: AnyRecord) =>
    record.type === 'shift.signed@1'
      ? {
          ...state,
          signatures: [...state.signatures, { ...record.payload, at: correctedAt(record), by: record.by }],
        }
      : state,
}

export interface PlanState {
  readonly id: string
  /** The plan in force, and who put it in force when; null where there is none. */
  readonly inForce: (PlanSet & { readonly at: number; readonly by: string }) | null
  /** The one that it took the place of: it can be put back; null where it was the first. */
  readonly before: PlanSet | null
}

/** The plan of a trading day: the one put in force last. */
export const planFold: Fold<PlanState> = {
  initial: (id) => ({ id, inForce: null, before: null }),
  apply: (state, record: AnyRecord) =>
    record.type === 'plan.set@1'
      ? {
          ...state,
          inForce: { ...record.payload, at: correctedAt(record), by: record.by },
          before: state.inForce && plain(state.inForce),
        }
      : state,
}

/** A plan as it was recorded. */
const plain = ({ at: _at, by: _by, ...set }: NonNullable<PlanState['inForce']>): PlanSet => set
