import type { RulesOf } from '../stream/rules.ts'
import type { Judgement } from '../rules/index.ts'
import type { CycleFigures } from './figures.ts'
import type { Ending } from './split.ts'

/** What a cycle reached, as it is kept: without the clock of its trace. */
export type KeptFigures = Omit<CycleFigures, 'from' | 'to' | 'stuck'> & { readonly stuck: readonly string[] }

/** A cycle that a probe streamed, cut and judged by the server. Samples that come late make another that replaces it. */
export interface CycleJudged {
  readonly station: string
  /** The same cycle keeps its key when it is judged anew. */
  readonly cycle: string
  /** Milliseconds UTC. */
  readonly from: number
  readonly to: number
  readonly ending: Ending
  /** By how much the count of racks changes: 1 for a whole cycle, 0 for one cut short, or what judging anew put right. */
  readonly racks: number
  readonly figures: KeptFigures
  /** Null for one that was cut short: it is no cycle. */
  readonly judgement: Judgement | null
  /** Of the tank at its end, mS/cm; null where the probe does not read it. */
  readonly conductivity: number | null
  /** Keys of the cycles whose place it takes. */
  readonly replaces: readonly string[]
}

/** Racks counted by hand, where no probe counts; below zero takes back. */
export interface RacksTallied {
  readonly station: string
  readonly racks: number
}

/** What clean ware is sent back for. */
export const rejectSigns = ['soil', 'spots', 'suds', 'chipped'] as const
export type RejectSign = (typeof rejectSigns)[number]

/** A piece that came out and was not clean, or not whole; -1 takes one back. */
export interface WareRejected {
  readonly station: string
  readonly sign: RejectSign
  readonly pieces: 1 | -1
}

export interface WaterChanged {
  readonly station: string
}

/** How a kitchen goes on while its machine does not sanitize. */
export type WayOn = 'chemical' | 'sink' | 'single-service'
export const waysOn = ['chemical', 'sink', 'single-service'] as const satisfies readonly WayOn[]

/** Out of use for sanitizing: who decided is who made the record. */
export interface DishSetAside {
  readonly station: string
  readonly way: WayOn
  /** Racks that went through since the last that passed. */
  readonly inDoubt: number
  /** Since when, milliseconds UTC; null where none ever passed. */
  readonly doubtSince: number | null
  readonly rewashed: boolean
  readonly note: string
  /** What brings it back: a test of the sanitizer at the rack where it sanitizes by that; absent: a hot cycle. */
  readonly asks?: 'ppm'
}

/** Back in service after a check that passed. */
export interface DishReturned {
  readonly station: string
  /** The cycle, or the reading by hand, that passed. */
  readonly passed: string
}

interface DishPayloads {
  'cycle.judged@1': CycleJudged
  'rack.tallied@1': RacksTallied
  'ware.rejected@1': WareRejected
  'dish.water-changed@1': WaterChanged
  'dish.set-aside@1': DishSetAside
  'dish.returned@1': DishReturned
}

declare module '../stream/record.ts' {
  interface Payloads extends DishPayloads {}
}

export const dishRecords: RulesOf<keyof DishPayloads> = {
  'cycle.judged@1': { needs: 'record', madeBy: 'device' },
  'rack.tallied@1': { needs: 'record', typed: true, tap: true },
  'ware.rejected@1': { needs: 'record', tap: true },
  'dish.water-changed@1': { needs: 'record', tap: true },
  'dish.set-aside@1': { needs: 'record' },
  'dish.returned@1': { needs: 'close-case' },
}
