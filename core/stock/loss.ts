/** What is used of something and not in the log: spilled, given away, poured by eye. */
export interface Loss {
  /** A day; below zero where less is used than is logged. */
  readonly perDay: number
  /** Standard deviation of one day of it. */
  readonly spread: number
}

/** From one count to the next. */
export interface Span {
  readonly days: number
  /** Used by the log in between. */
  readonly logged: number
  /** Gone by the counts: counted first, what came, less what was counted last and what was told to be lost. */
  readonly gone: number
}

/** Half of what is remembered of loss is of the last so many days; and days of no loss that are believed in before. Common practice, no source. */
const [halfLife, lossless] = [90, 14]

/**
 * What counts teach of what the log does not know. @param spans the oldest first; @param eye standard deviation of one count.
 */
export function lossOf(spans: readonly Span[], eye: number): Loss {
  let [lost, days, logged] = [0, 0, 0]
  for (const span of spans) {
    const keep = 0.5 ** (span.days / halfLife)
    lost = lost * keep + span.gone - span.logged
    days = days * keep + span.days
    logged = logged * keep + span.logged
  }
  if (days === 0) return { perDay: 0, spread: 0 }
  // Where the log knows of no use at all, counts alone tell it: nothing is believed in before.
  const perDay = Math.max(-logged / days / 2, lost / (days + (logged > 0 ? lossless : 0)))
  // What two counts are wrong by is no loss.
  const apart = spans.map((s) => ((s.gone - s.logged - perDay * s.days) ** 2 - 2 * eye * eye) / s.days)
  const spread = Math.sqrt(Math.max(0, apart.reduce((a, b) => a + b, 0) / spans.length))
  return { perDay, spread }
}
