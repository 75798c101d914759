import type { Planning, PlanWish } from '@tadka/core/house'
import { isWithin, type Bounds } from '../pieces/field.ts'

/** What a site asks of its plans, as it stands in the fields. */
export interface PlanningDraft {
  wish: PlanWish
  neverAlone: boolean
  keys: boolean
  closedBy: string
  breakHours: number | null
  breakMinutes: number | null
  placeAreas: Record<(typeof standing)[number], string | null>
}

/** What may be typed of each number. */
export const planningWithin = {
  hours: { min: 1, max: 12 },
  minutes: { min: 5, max: 120, whole: true },
} as const satisfies Record<string, Bounds>

/** Shared places that stand somewhere; pails and pots are carried. */
export const standing = ['sink', 'table'] as const

export const draftOfPlanning = (kept: Planning = {}): PlanningDraft => ({
  wish: kept.wish ?? 'home-soonest',
  neverAlone: kept.neverAlone ?? false,
  keys: kept.keys ?? false,
  closedBy: kept.closedBy ?? '',
  breakHours: kept.breaks?.hours ?? null,
  breakMinutes: kept.breaks?.minutes ?? null,
  placeAreas: { sink: kept.placeAreas?.sink ?? null, table: kept.placeAreas?.table ?? null },
})

/** What is wrong with it. @param isTime whether a text is a time of the trading day. */
export function planningFault(
  d: PlanningDraft,
  isTime: (text: string) => boolean,
): 'closedBy' | 'breaks' | null {
  if (d.closedBy !== '' && !isTime(d.closedBy)) return 'closedBy'
  if (d.breakHours === null && d.breakMinutes === null) return null
  const both =
    isWithin(d.breakHours, planningWithin.hours) && isWithin(d.breakMinutes, planningWithin.minutes)
  return both ? null : 'breaks'
}

/** What was typed, which must be without fault. */
export function planningFrom(d: PlanningDraft): Planning {
  const areas = standing.flatMap((k) => {
    const area = d.placeAreas[k]
    return area ? [[k, area] as const] : []
  })
  return {
    wish: d.wish,
    ...(d.neverAlone && { neverAlone: true }),
    ...(d.keys && { keys: true }),
    ...(d.closedBy !== '' && { closedBy: d.closedBy }),
    ...(d.breakHours !== null && { breaks: { hours: d.breakHours, minutes: d.breakMinutes ?? 0 } }),
    ...(areas.length > 0 && { placeAreas: Object.fromEntries(areas) }),
  }
}
