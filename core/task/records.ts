import type { RulesOf } from '../stream/rules.ts'

/** What a task came from: a look on a round, something seen of pests; a visit of somebody from outside, with its day. */
export const taskOrigins = ['round', 'pest', 'visit'] as const
export type TaskOrigin = (typeof taskOrigins)[number]

/** Something to be done once, by a day: with whose it is, where somebody has taken it or was given it. Set again: changed. */
export interface TaskSet {
  readonly say: string
  /** As stations name their areas; null where it is of none. */
  readonly area: string | null
  /** Who does it, by id; null: nobody yet. */
  readonly owner: string | null
  /** The trading day by whose end it is done, ISO date. */
  readonly due: string
  /** What it came from, and the id of that; null where somebody just wrote it down. */
  readonly from: { readonly kind: TaskOrigin; readonly id: string } | null
}

/** It is done. */
export interface TaskDone {
  /** What was to be done, as it stood then. */
  readonly say: string
  /** What was done; empty where it says itself. */
  readonly note: string
  /** A photo by the hash of its bytes. */
  readonly photo: string | null
}

/** It need not be done any more: said by a lead, with why. */
export interface TaskDropped {
  readonly say: string
  readonly reason: string
}

interface TaskPayloads {
  'task.set@1': TaskSet
  'task.done@1': TaskDone
  'task.dropped@1': TaskDropped
}

declare module '../stream/record.ts' {
  interface Payloads extends TaskPayloads {}
}

export const taskRecords: RulesOf<keyof TaskPayloads> = {
  'task.set@1': { needs: 'record', typed: true, tap: true },
  'task.done@1': { needs: 'record', tap: true },
  'task.dropped@1': { needs: 'close-case', tap: true },
}
