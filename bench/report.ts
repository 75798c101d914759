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

export { median } from 'simple-statistics'
