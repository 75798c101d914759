import { subject, type RulesOf } from '../stream/rules.ts'

/** A dispenser holds its products in slots; all else stands on a shelf or in a cupboard. */
export const shelfKinds = ['shelf', 'dispenser'] as const
export type ShelfKind = (typeof shelfKinds)[number]

/** What chemicals may not drip on: food and drink; plates, cups, cutlery, single-use ware, linen. */
export const besides = ['food', 'ware'] as const
export type Beside = (typeof besides)[number]

/** A place where chemicals stand. Set again: changed. */
export interface ShelfSet {
  readonly name: string
  /** As stations name their areas. */
  readonly area: string
  readonly kind: ShelfKind
  /** The place right below it, on which it drips; null: none. */
  readonly over: string | null
  /** What else stands on it. */
  readonly beside: readonly Beside[]
  /** Each product stands in a tray of its own or behind a partition: what one spills reaches no other. */
  readonly partitioned: boolean
  /** Of a dispenser: its slots as they are marked, each with the product that belongs in it. */
  readonly slots: readonly { readonly mark: string; readonly product: string }[]
  readonly ended?: true
}

/** Somebody saw or set it so: a product stands here, or no more. */
export interface ShelfStands {
  readonly product: string
  readonly here: boolean
  /** The place that it was brought here from; null: none that anybody told of. */
  readonly from: string | null
}

/** A container was put into a slot of a dispenser. */
export interface SlotFilled {
  readonly mark: string
  /** What belonged in it then: the log says so, whatever belongs there later. */
  readonly belongs: string
  /** What is in it now. */
  readonly product: string
}

/** What becomes of empty containers. None of it is ever to hold food: FDA Food Code 2022, 7-203.11, from memory. */
export const emptyWays = ['waits', 'returned', 'rinsed', 'waste'] as const
export type EmptyWay = (typeof emptyWays)[number]

/** Containers were used up; `waits`: they stand here still, to be taken back or away. */
export interface ContainerEmptied {
  readonly count: number
  readonly went: EmptyWay
}

/** Empty ones that waited went. */
export interface EmptiesGone {
  readonly count: number
  readonly went: Exclude<EmptyWay, 'waits'>
}

interface ShelfPayloads {
  'shelf.set@1': ShelfSet
  'shelf.stands@1': ShelfStands
  'slot.filled@1': SlotFilled
  'container.emptied@1': ContainerEmptied
  'container.gone@1': EmptiesGone
}

declare module '../stream/record.ts' {
  interface Payloads extends ShelfPayloads {}
}

export const shelfRecords: RulesOf<keyof ShelfPayloads> = {
  'shelf.set@1': { needs: 'set-up-house', tap: true },
  'shelf.stands@1': { needs: 'record', tap: true, concerns: ({ from }) => subject('shelf', from) },
  'slot.filled@1': { needs: 'record', tap: true },
  'container.emptied@1': { needs: 'record', typed: true, tap: true },
  'container.gone@1': { needs: 'record', typed: true, tap: true },
}
