import { instant, type Instant } from '../quantity/index.ts'

/** What a container in use still holds, and when it is empty at the pace of its meter. */
export interface ContainerOutlook {
  /** mL. */
  readonly left: number
  /** Null where it was metered for less than a day, or nothing flows. */
  readonly emptyAt: Instant | null
}

const dayMs = 86_400_000

/**
 * @param holds mL when it was opened. @param drawn mL that its meter counted since, from one instant to another; null where no meter did.
 * Returns null where nobody can tell.
 */
export function containerOutlook(
  holds: number | undefined,
  drawn: { readonly millilitres: number; readonly from: number; readonly at: number } | null,
): ContainerOutlook | null {
  if (holds === undefined || !drawn) return null
  const left = Math.max(0, holds - drawn.millilitres)
  const over = drawn.at - drawn.from
  const emptyAt =
    over < dayMs || drawn.millilitres <= 0
      ? null
      : instant(Math.round(drawn.at + (left / drawn.millilitres) * over))
  return { left, emptyAt }
}
