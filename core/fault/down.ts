/** When a machine was not in service, ms UTC; the last may still last. */
export interface Down {
  readonly from: number
  readonly to: number | null
}

const hourMs = 3_600_000

/** Hours by the clock that a machine was not in service within a span, ms UTC; one that lasts counts until `now`. */
export function hoursDown(downs: readonly Down[], from: number, to: number, now: number): number {
  const ms = downs.reduce((sum, d) => {
    const end = Math.min(d.to ?? now, to, now)
    return sum + Math.max(0, end - Math.max(d.from, from))
  }, 0)
  return ms / hourMs
}
