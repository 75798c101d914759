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
