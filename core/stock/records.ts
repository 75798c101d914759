import { subject, type RulesOf } from '../stream/rules.ts'

export const stockUnits = ['mL', 'g', 'pieces'] as const
export type StockUnit = (typeof stockUnits)[number]

/** What the log itself tells the use of: a label, a strip, a spare. A thing is told by the runs that use it up. */
export const stockKinds = ['product', 'instrument', 'spare', 'thing'] as const
export type StockKind = (typeof stockKinds)[number]

/** Something of which there must always be some. Set again: changed. */
export interface StockItem {
  readonly name: string
  readonly of:
    { readonly kind: Exclude<StockKind, 'thing'>; readonly id: string } | { readonly kind: 'thing' }
  readonly unit: StockUnit
  /** How much is in what is bought, in its unit. */
  readonly pack: number
  /** Days from ordering until it is there. */
  readonly leadDays: number
  readonly supplier: string
  /** What one pack costs, in the site's own money; null where nobody has said. */
  readonly price: number | null
  /** Days from delivery to its best-before date, where deliveries have not told yet; null: it keeps. */
  readonly keepsDays: number | null
  /** What a finished run uses of it, in its unit, by procedure. */
  readonly perRun: readonly { readonly procedure: string; readonly amount: number }[]
  /** Where it stands. */
  readonly place: string
  /** It is not kept any more. */
  readonly ended?: true
}

/** It was looked at: so much is there. */
export interface StockCounted {
  /** In the item's unit. */
  readonly amount: number
  readonly of: StockItem['of']
}

/** Some of it came. */
export interface StockCame {
  readonly amount: number
  readonly of: StockItem['of']
  /** The lot printed on it; empty where nobody read it. */
  readonly lot: string
  /** ISO date; null where it has none. */
  readonly bestBefore: string | null
  /** Of a chemical: its label is the one that is entered here, or is another; null for all else. */
  readonly label: 'same' | 'other' | null
}

/** It was ordered. */
export interface StockOrdered {
  readonly amount: number
  /** ISO date. */
  readonly expected: string
}

/** Some of it was lost: spilled, thrown away. */
export interface StockLost {
  readonly amount: number
  readonly of: StockItem['of']
  readonly why: string
}

interface StockPayloads {
  'stock.set@1': StockItem
  'stock.counted@1': StockCounted
  'stock.came@1': StockCame
  'stock.ordered@1': StockOrdered
  'stock.lost@1': StockLost
}

declare module '../stream/record.ts' {
  interface Payloads extends StockPayloads {}
}

/** A spare's own shelf count goes with it. */
const alsoSpare = ({ of }: { readonly of: StockItem['of'] }) =>
  subject('spare', of.kind === 'spare' ? of.id : null)
/** And a product's label is told to be another, before anybody pours it. */
const alsoProduct = ({ of }: { readonly of: StockItem['of'] }) =>
  subject('product', of.kind === 'product' ? of.id : null)

export const stockRecords: RulesOf<keyof StockPayloads> = {
  'stock.set@1': { needs: 'set-up-house', tap: true },
  'stock.counted@1': { needs: 'record', typed: true, tap: true, concerns: alsoSpare },
  'stock.came@1': {
    needs: 'record',
    typed: true,
    tap: true,
    concerns: (came) => [...alsoSpare(came), ...alsoProduct(came)],
  },
  'stock.ordered@1': { needs: 'plan-shift', typed: true, tap: true },
  'stock.lost@1': { needs: 'record', typed: true, tap: true, concerns: alsoSpare },
}
