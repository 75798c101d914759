import type { CaseAction } from '../case/records.ts'
import type { Interval } from '../quantity/index.ts'
import type { Verdict } from '../rules/index.ts'
import type { Fold } from '../stream/fold.ts'
import { correctedAt } from '../stream/record.ts'
import { basketsAfter, type Basket } from './baskets.ts'

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

/** A station has one sanitizer bath at a time. */
const vesselOf = (b: Pick<BathState, 'station' | 'where'>) => b.station ?? b.where

/** The last bath in each vessel, newest first: what was mixed there before is gone. */
export const lastInVessels = (baths: readonly BathState[]): BathState[] =>
  baths
    .toSorted((a, b) => b.mixedAt - a.mixedAt)
    .filter((b, i, all) => all.findIndex((o) => vesselOf(o) === vesselOf(b)) === i)

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
