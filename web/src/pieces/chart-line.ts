/** One line of a chart; a limit's is dashed. */
export function lineOf<P>(
  label: string,
  data: P[],
  colour: string,
  { width = 3, dashed = false, points = 0 }: { width?: number; dashed?: boolean; points?: number } = {},
) {
  return {
    label,
    data,
    borderColor: colour,
    backgroundColor: colour,
    borderWidth: dashed ? 2 : width,
    borderDash: dashed ? [7, 5] : [],
    pointRadius: points,
    spanGaps: false,
  }
}

/** The degrees of a chart's axis, and the way into them from °C. */
export interface Degrees {
  readonly degree: string
  readonly of: (celsius: number) => number
}

/** A point on such an axis; a hole stays one. @param at °C. */
export const pointAt = (at: number | null | undefined, { of }: Degrees): number | null =>
  at === null || at === undefined ? null : of(at)
