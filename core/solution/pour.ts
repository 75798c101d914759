import {
  interval,
  millilitres,
  within,
  type Interval,
  type Millilitres,
  type Ppm,
} from '../quantity/index.ts'
import { strengthOf } from './dose.ts'
import type { MeasuringTool } from './supply.ts'

export interface Pour {
  readonly tool: MeasuringTool
  /** What to pour to: a mark on the tool, or whole fillings and a mark. */
  readonly shown: Millilitres
  /** What may really have been poured, given the tool's error. */
  readonly poured: Interval
  /** The strength that comes of it, mg/L; null where the label names no strength. */
  readonly strength: Interval | null
  /** Whether that strength lies in the band for every possible pour; null where there is no band to hold it against. */
  readonly holds: boolean | null
}

/**
 * Rounds a dose once, to the nearest mark that the tool shows, and tells the strength that the rounding and the
 * tool's own error give.
 * @param exact millilitres of concentrate; @param water millilitres of water it goes into;
 * @param stock mg/L or null; @param band mg/L to hold, or null.
 */
export function pourWith(
  tool: MeasuringTool,
  exact: Millilitres,
  water: Millilitres,
  stock: Ppm | null,
  band: Interval | null,
): Pour {
  const shown = millilitres(nearestMark(exact, tool.graduation))
  const fillings = Math.max(1, Math.ceil(shown / tool.capacity))
  const off = tool.error * fillings
  const poured = interval(Math.max(0, shown - off), shown + off)
  const strength = stock === null ? null : strengthBetween(stock, poured, water)
  const holds = strength === null || band === null ? null : within(strength, band)
  return { tool, shown, poured, strength, holds }
}

/**
 * Marks are multiples of the graduation; the division is exact for graduations such as 0.1 that are not so in binary.
 * @example nearestMark(33, 5) // 35
 */
export function nearestMark(value: number, graduation: number): number {
  return Number((Math.round(value / graduation) * graduation).toPrecision(12))
}

function strengthBetween(stock: Ppm, poured: Interval, water: Millilitres): Interval {
  const at = (volume: number) => strengthOf(stock, millilitres(volume), water)
  return interval(at(poured.lo ?? 0), at(poured.hi ?? 0))
}

/**
 * The tool that pours `exact` best: the smallest that holds it in one filling and keeps the band, else the one with
 * the finest marks. Null for an empty list.
 */
export function bestTool(
  tools: readonly MeasuringTool[],
  exact: Millilitres,
  water: Millilitres,
  stock: Ppm | null,
  band: Interval | null,
): Pour | null {
  const pours = tools
    .toSorted((a, b) => a.capacity - b.capacity || a.graduation - b.graduation)
    .map((tool) => pourWith(tool, exact, water, stock, band))
  const fitting = pours.filter((p) => p.shown <= p.tool.capacity && p.shown > 0)
  return fitting.find((p) => p.holds !== false) ?? fitting[0] ?? pours.at(-1) ?? null
}
