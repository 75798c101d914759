import { decimals, millilitres, volumeIn } from '@tadka/core/quantity'
import type { MeasuringTool } from '@tadka/core/solution'

export interface JugMark {
  /** Millilitres. */
  readonly at: number
  readonly long: boolean
}

/** The marks to draw on a tool: its own where they are few, else every so many, the long ones labelled. */
export function jugMarks(tool: MeasuringTool): JugMark[] {
  const count = Math.round(tool.capacity / tool.graduation)
  const every = [1, 2, 5, 10, 20, 50, 100].find((n) => count / n <= 26) ?? 100
  const long = every * 5
  const marks: JugMark[] = []
  for (let i = every; i <= count; i += every)
    marks.push({ at: Number((i * tool.graduation).toPrecision(8)), long: i % long === 0 })
  return marks
}

/** An amount on a tool, in the unit that its marks are printed in, to as many places as its marks have. */
export function onTool(mL: number, tool: Pick<MeasuringTool, 'marks' | 'graduation'>) {
  const unit = tool.marks ?? 'mL'
  const mark = volumeIn(tool.graduation, unit)
  const places = [0, 1, 2, 3].find((n) => Math.abs(Number(mark.toFixed(n)) - mark) < 1e-4) ?? 3
  return { figure: decimals(volumeIn(millilitres(mL), unit), places), unit }
}
