import type { Mark } from '@tadka/core/warewash'
import type { Verdict } from '@tadka/core/rules'

/** One mark of the strip, in the strip's own units: x from 0 to `width`, y from 0 (hottest) to `height`. */
export interface StripMark {
  readonly mark: Mark
  readonly x: number
  /** From the limit's line to what the rinse held; equal where it was not read. */
  readonly from: number
  readonly to: number
  readonly shape: Verdict | 'cut'
}

export interface Strip {
  readonly marks: readonly StripMark[]
  /** Where the limit's line lies. */
  readonly limitAt: number
  /** Where the hour, or the day, turns: x and the instant of the first mark after. */
  readonly turns: readonly { readonly x: number; readonly at: number }[]
}

/** °C shown above and below the limit. */
const above = 6
const below = 5
const hourMs = 3_600_000
/** Room that the word of an hour takes, where clocks have 24 hours or twelve. */
export const wordRoom = { of24: 48, of12: 66 } as const

/** The last cycles side by side, each as far above or below the limit as its rinse was. @param limit °C. @param left room for the limit's figure. @param room for an hour's word. */
export function stripOf(
  marks: readonly Mark[],
  limit: number,
  step: number,
  height: number,
  left = 0,
  room: number = wordRoom.of24,
): Strip {
  const y = (celsius: number) =>
    height * (1 - (Math.max(-below, Math.min(above, celsius - limit)) + below) / (above + below))
  const limitAt = y(limit)
  const turns = marks.flatMap((m, i) => {
    const before = marks[i - 1]
    return before && Math.floor(m.at / hourMs) !== Math.floor(before.at / hourMs)
      ? [{ x: left + i * step, at: m.at }]
      : []
  })
  return {
    limitAt,
    turns: apart(turns, room).filter((t) => t.x <= left + marks.length * step - room),
    marks: marks.map((mark, i) => ({
      mark,
      x: left + (i + 0.5) * step,
      from: limitAt,
      to: mark.rinseLow === null ? limitAt : y(mark.rinseLow),
      shape: mark.verdict ?? 'cut',
    })),
  }
}

/** Only those far enough from the one before to have room for their word. */
function apart<T extends { readonly x: number }>(turns: readonly T[], least: number): T[] {
  const kept: T[] = []
  for (const turn of turns) if (turn.x - (kept.at(-1)?.x ?? -least) >= least) kept.push(turn)
  return kept
}
