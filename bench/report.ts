export interface Figure {
  readonly bench: string
  readonly case: string
  readonly figure: string
  readonly value: number
  readonly unit: string
}

/** One figure as one JSON object on a line, to four significant digits. */
export function report(figure: Figure): void {
  console.log(JSON.stringify({ ...figure, value: Number(figure.value.toPrecision(4)) }))
}

export const median = (values: readonly number[]): number =>
  values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)] ?? Number.NaN
