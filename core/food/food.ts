import { atMost, type Interval } from '../quantity/index.ts'
import { dateAfter } from '../calendar/index.ts'
import { judgeInterval, modelCode } from '../rules/index.ts'
import type { Fold } from '../stream/fold.ts'
import { correctedAt } from '../stream/record.ts'

const hourMs = 3_600_000
/** Milk that comes at 7 °C (45 °F) by a law that allows it is at 5 °C within four hours: FDA Food Code 2022, 3-501.14(C). */
const coolHours = 4
const milkLimit = { '°C': 7, '°F': 45 } as const
/** Days that opened or prepared food is kept cold, the first day counted: FDA Food Code 2022, 3-501.17(A). */
const openedDays = 7

/** What comes with a delivery, as far as it matters how it is judged. */
export const deliveredKinds = ['cold', 'milk', 'frozen', 'dry'] as const
export type DeliveredKind = (typeof deliveredKinds)[number]

/** A temperature as read, and what is known of it by how its thermometer is trusted. */
export interface FoodReading {
  readonly unit: '°C' | '°F'
  readonly value: number
  readonly interval: Interval
}

/** One thing of a delivery, looked at before it is put away. */
export interface FoodReceived {
  readonly name: string
  readonly supplier: string
  readonly kind: DeliveredKind
  /** Null where it was not read: what is frozen or dry. */
  readonly read: FoodReading | null
  /** The thermometer; null where none of the site's was named. */
  readonly on: string | null
  /** Clean, closed, not crushed, within its date. */
  readonly whole: boolean
  /** Of what comes frozen: hard all through. */
  readonly hard?: boolean
  /** The law here lets milk come at 7 °C. */
  readonly milkAt7?: true
  /** Put away; else it went back. */
  readonly took: boolean
  readonly note: string
}

/** What was opened, prepared or thawed here, with its last day. ISO dates. */
export interface FoodOpened {
  readonly name: string
  readonly since: string
  readonly useBy: string
}

export interface FoodGone {
  readonly how: 'used' | 'thrown-out'
}

export type Received =
  | { readonly is: 'take' }
  /** It may come so warm; by how many hours after it is at 5 °C. */
  | { readonly is: 'cool'; readonly hours: number }
  | { readonly is: 'refuse'; readonly why: 'warm' | 'thawed' | 'damaged' }
  /** Nothing can be said yet. */
  | { readonly is: 'read-first' | 'read-again' | 'look-first' }

/**
 * Whether something of a delivery may be put away. Sources: FDA Food Code 2022, 3-202.11(A) to (E), 3-202.15, 3-501.14(C); judged in the
 * unit of the thermometer.
 */
export function received(
  food: Pick<FoodReceived, 'kind' | 'read' | 'hard' | 'milkAt7'> & { readonly whole: boolean | null },
): Received {
  const { kind, read, whole, hard, milkAt7 } = food
  if (whole === false) return { is: 'refuse', why: 'damaged' }
  if (kind === 'frozen' && hard === false) return { is: 'refuse', why: 'thawed' }
  if (kind === 'cold' || kind === 'milk') {
    if (!read) return { is: 'read-first' }
    const cold = judgeInterval(read.interval, atMost(coldLimit(read.unit)))
    const mayBeWarm = kind === 'milk' && milkAt7 === true
    const warm = mayBeWarm ? judgeInterval(read.interval, atMost(milkLimit[read.unit])) : cold
    if (warm === 'out') return { is: 'refuse', why: 'warm' }
    if (warm !== 'in') return { is: 'read-again' }
    if (whole === null) return { is: 'look-first' }
    return cold === 'in' ? { is: 'take' } : { is: 'cool', hours: coolHours }
  }
  return whole === null || (kind === 'frozen' && hard === undefined) ? { is: 'look-first' } : { is: 'take' }
}

const coldLimit = (unit: '°C' | '°F'): number => modelCode.coldHolding.temperature[unit === '°C' ? 'c' : 'f']

/**
 * The last day of what is opened or prepared today: seven days with the first counted, the oldest of what is mixed into it deciding, and
 * never past its maker's date. @param today, older, best ISO dates. Source: FDA Food Code 2022, 3-501.17(A), (B) and (D).
 * @example openedUntil('2026-12-01', [], null).useBy // '2026-12-07'
 */
export function openedUntil(
  today: string,
  older: readonly Pick<FoodOpened, 'since' | 'useBy'>[],
  best: string | null,
): Pick<FoodOpened, 'since' | 'useBy'> {
  const since = [today, ...older.map((o) => o.since)].toSorted()[0] ?? today
  const last = [dateAfter(since, openedDays - 1), ...older.map((o) => o.useBy), ...(best ? [best] : [])]
  return { since, useBy: last.toSorted()[0] ?? since }
}

/** Whether a label names a last day that can be. ISO dates. */
export const isOpenedDay = ({ since, useBy }: Pick<FoodOpened, 'since' | 'useBy'>): boolean =>
  useBy >= since && useBy <= dateAfter(since, openedDays - 1)

interface Done {
  readonly at: number
  readonly by: string
}
export interface FoodState {
  readonly id: string
  readonly name: string
  readonly received: (FoodReceived & Done) | null
  /** Read after it was put away. */
  readonly reads: readonly (Done & { readonly read: FoodReading })[]
  readonly opened: (FoodOpened & Done) | null
  readonly gone: (FoodGone & Done) | null
}

/** Food from when it came or was opened until it is gone. */
export const foodFold: Fold<FoodState> = {
  initial: (id) => ({ id, name: '', received: null, reads: [], opened: null, gone: null }),
  apply(state, record) {
    const done = { at: correctedAt(record), by: record.by }
    switch (record.type) {
      case 'food.received@1':
        return { ...state, name: record.payload.name, received: { ...record.payload, ...done } }
      case 'food.read@1':
        return { ...state, reads: [...state.reads, { ...done, read: record.payload.read }] }
      case 'food.opened@1':
        return { ...state, name: record.payload.name, opened: { ...record.payload, ...done } }
      case 'food.gone@1':
        return state.gone ? state : { ...state, gone: { ...record.payload, ...done } }
      default:
        return state
    }
  },
}

export type FoodStands =
  | { readonly is: 'gone' }
  | { readonly is: 'stored' }
  /** At 5 °C by then, ms UTC. */
  | { readonly is: 'cool'; readonly by: number }
  | { readonly is: 'throw-out'; readonly why: 'not-cooled' | 'late' }
  | { readonly is: 'today' | 'use'; readonly useBy: string }

/** What is to be done with food now. @param today trading day, ISO date. @param now ms UTC. */
export function foodStands(
  { received: came, reads, opened, gone }: FoodState,
  today: string,
  now: number,
): FoodStands {
  if (gone || (came && !came.took) || (!came && !opened)) return { is: 'gone' }
  if (came && received(came).is === 'cool') {
    const by = came.at + coolHours * hourMs
    const isCooled = reads.some(
      (r) => r.at <= by && judgeInterval(r.read.interval, atMost(coldLimit(r.read.unit))) === 'in',
    )
    if (!isCooled) return now > by ? { is: 'throw-out', why: 'not-cooled' } : { is: 'cool', by }
  }
  if (!opened) return { is: 'stored' }
  const { useBy } = opened
  if (useBy < today) return { is: 'throw-out', why: 'late' }
  return { is: useBy === today ? 'today' : 'use', useBy }
}

/** Whether it is followed however long ago it was touched: what is open, or has to be cold by some time. */
export const isFollowed = ({ received: came, opened, gone }: FoodState): boolean =>
  !gone && (opened !== null || (came !== null && came.took && received(came).is === 'cool'))
