import { Temporal } from 'temporal-polyfill'

/** What a site asks before somebody works alone. */
export interface TrainingRule {
  /** Runs under somebody's eyes before a sign-off. */
  readonly watched: number
  /** Percent of a check's questions that must be right. */
  readonly passPercent: number
  /** Months after which a sign-off lapses; null: none does by time. */
  readonly months: number | null
}

/** Where a site has chosen nothing. 90 % and a yearly renewal are common practice, no source. */
export const usualTraining: TrainingRule = { watched: 3, passPercent: 90, months: 12 }

/**
 * The last day of a sign-off. A day that the month does not have is its last.
 * @param from ISO date of the day that it was given.
 * @example lastDay('2026-08-31', 6) // '2027-02-28'
 */
export const lastDay = (from: string, months: number): string =>
  Temporal.PlainDate.from(from).add({ months }).toString()

/**
 * Whether a share of right answers passes. @param passPercent percent.
 * @example passes(9, 10, 90) // true
 */
export const passes = (right: number, asked: number, passPercent: number): boolean =>
  asked > 0 && right * 100 >= asked * passPercent
