import type { Instant } from '../quantity/index.ts'

export interface ConcentrateAge {
  readonly openedAt: Instant | null
  readonly bestBefore: Instant | null
  /** Days that the label allows after opening; null where it is silent. */
  readonly daysOnceOpen: number | null
}

export type ConcentrateWarning = 'past-best-before' | 'open-too-long' | 'weakens' | 'date-missing'

const dayMs = 86_400_000

/**
 * Share of its strength that a hypochlorite concentrate of 5 to 6 % has probably kept: about a fifth is lost in a year at
 * 21 °C, twice as fast for each 10 °C more. From memory: for a warning, never for a pass.
 * @param days since it was made or opened; @param warmth °C of the store.
 * @example hypochloriteKept(365, 21) // 0.8
 */
export function hypochloriteKept(days: number, warmth: number): number {
  const yearly = 0.8
  const faster = 2 ** ((warmth - 21) / 10)
  return yearly ** ((Math.max(0, days) / 365) * faster)
}

/** What to say about a concentrate before it is used; nothing of it decides a pass. @param now milliseconds UTC. */
export function concentrateWarnings(
  age: ConcentrateAge,
  isHypochlorite: boolean,
  warmth: number,
  now: Instant,
): ConcentrateWarning[] {
  const warnings: ConcentrateWarning[] = []
  const { openedAt, bestBefore, daysOnceOpen } = age
  if (bestBefore !== null && now > bestBefore) warnings.push('past-best-before')
  if (openedAt !== null && daysOnceOpen !== null && now > openedAt + daysOnceOpen * dayMs)
    warnings.push('open-too-long')
  if (bestBefore === null && openedAt === null) warnings.push('date-missing')
  if (isHypochlorite && openedAt !== null && hypochloriteKept((now - openedAt) / dayMs, warmth) < 0.9)
    warnings.push('weakens')
  return warnings
}
