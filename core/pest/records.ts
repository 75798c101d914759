import type { RulesOf } from '../stream/rules.ts'

export const pests = ['rodent', 'cockroach', 'fly', 'ant', 'stored-food', 'bird', 'other'] as const
export type Pest = (typeof pests)[number]
export const pestSigns = ['live', 'dead', 'droppings', 'damage', 'tracks', 'smell'] as const
export type PestSign = (typeof pestSigns)[number]
export const pestCauses = ['food', 'water', 'way-in', 'delivery', 'next-door', 'unknown'] as const
export type PestCause = (typeof pestCauses)[number]

/** Something was seen of a pest. */
export interface PestSeen {
  /** Null: nobody can tell yet. */
  readonly pest: Pest | null
  readonly sign: PestSign
  /** As stations name their areas. */
  readonly area: string
  /** Where in it, and how much. */
  readonly said: string
  readonly photo: string | null
}

/** What lets it live here. */
export interface PestCaused {
  readonly cause: PestCause
  readonly said: string
}

/** It is settled: what was done, and how one knows. */
export interface PestSettled {
  readonly said: string
}

/** No powder that is tracked about, and no open bait: those may not stand here. FDA Food Code 2022, 7-206.12, 7-206.13, from memory. */
export const trapKinds = ['snap-trap', 'glue-board', 'bait-station', 'light-trap', 'pheromone'] as const
export type TrapKind = (typeof trapKinds)[number]

/** A device against pests, where it stands. Set again: moved. */
export interface TrapSet {
  /** As it stands on it. */
  readonly number: string
  readonly kind: TrapKind
  readonly area: string
  /** Which ninth of the area, row by row as on a plan: 0 back left, 8 front right. */
  readonly cell: number
  /** Of bait: locked, and opened with its key alone. */
  readonly enclosed: boolean
  readonly ended?: true
}

/** Somebody looked at a device. */
export interface TrapLooked {
  /** How many were caught; of bait: whether it was eaten from, 0 or 1. */
  readonly caught: number
  /** It stands as it must, whole and closed. */
  readonly sound: boolean
  readonly said: string
}

interface PestPayloads {
  'pest.seen@1': PestSeen
  'pest.caused@1': PestCaused
  'pest.settled@1': PestSettled
  'trap.set@1': TrapSet
  'trap.looked@1': TrapLooked
}

declare module '../stream/record.ts' {
  interface Payloads extends PestPayloads {}
}

export const pestRecords: RulesOf<keyof PestPayloads> = {
  'pest.seen@1': { needs: 'record', typed: true, tap: true },
  'pest.caused@1': { needs: 'record', typed: true, tap: true },
  'pest.settled@1': { needs: 'close-case', tap: true },
  'trap.set@1': { needs: 'set-up-house', tap: true },
  'trap.looked@1': { needs: 'record', typed: true, tap: true },
}
