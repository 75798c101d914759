import type { Fold } from '../stream/fold.ts'
import { correctedAt } from '../stream/record.ts'
import type { RulesOf } from '../stream/rules.ts'
import type { Pin, Plan } from './problem.ts'

/** A plan that somebody put in force for a trading day, with what they decided beside it. */
export interface PlanSet {
  /** ISO date of the trading day. */
  readonly day: string
  /** Milliseconds UTC of the plan's minute 0. */
  readonly start: number
  readonly plan: Plan
  /** The proved bound of the last departure, minutes from `start`. */
  readonly bound: number
  readonly pins: readonly Pin[]
  /** Runs put in though not yet aimed at tonight, and put off, by key. */
  readonly putIn: readonly string[]
  readonly putOff: readonly string[]
}

interface PlanPayloads {
  'plan.set@1': PlanSet
}

declare module '../stream/record.ts' {
  interface Payloads extends PlanPayloads {}
}

export const planRecords: RulesOf<keyof PlanPayloads> = { 'plan.set@1': { needs: 'plan-shift' } }

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
  apply: (state, record) =>
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
