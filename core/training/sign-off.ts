import type { RefusalCode } from '../refusal/index.ts'
import type { TrainingRule } from './rule.ts'
import type { Standing } from './standing.ts'

/** What is left before somebody may be signed off for a procedure. */
export interface StillToShow {
  readonly shown: boolean
  /** Runs under somebody's eyes. */
  readonly watched: number
  readonly check: boolean
}

/** What counts towards a sign-off: only what came after the last one ended, or after its procedure changed in what matters. */
export interface Shown {
  readonly shown: number
  readonly watched: number
}

/**
 * What somebody has still to show. @param counted runs that count: finished, after the last lapse.
 * A sign-off that lapsed by time asks for the check alone.
 */
export function stillToShow(standing: Standing, counted: Shown, rule: TrainingRule): StillToShow {
  const { lapse } = standing
  const from = lapse && 'at' in lapse ? lapse.at : (standing.signed?.at ?? 0)
  const check = standing.passedAt === null || standing.passedAt <= from
  if (lapse?.why === 'time') return { shown: false, watched: 0, check }
  return {
    shown: counted.shown + counted.watched === 0,
    watched: Math.max(0, (lapse ? 1 : rule.watched) - counted.watched),
    check,
  }
}

export const isReady = (left: StillToShow): boolean => !left.shown && left.watched === 0 && !left.check

/** Why somebody may not sign another off; null where they may. @param by who signs. @param person who is signed off. */
export function signOffFault(by: string, person: string, left: readonly StillToShow[]): RefusalCode | null {
  if (by === person) return 'sign_off_self'
  return left.every(isReady) ? null : 'sign_off_early'
}

/** From when on runs count towards the next sign-off, milliseconds UTC. */
export const countsFrom = ({ lapse, signed }: Standing): number =>
  lapse && 'at' in lapse ? lapse.at : lapse ? (signed?.at ?? 0) : 0
