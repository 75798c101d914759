import type { IncidentState } from './fold.ts'
import { incidentRules } from './kinds.ts'
import { stationsOut, type IncidentItem } from './list.ts'

/** The authority's written plan that the site had on file. */
export interface PlanOnFile {
  readonly conditions: readonly string[]
  /** When it was entered here, ms UTC. */
  readonly since: number
}

/** Why a station does not come back yet. */
export type NotYet =
  | { readonly why: 'not-counted' }
  | { readonly why: 'lasts' }
  | { readonly why: 'not-approved' }
  | { readonly why: 'plan-later' | 'no-plan' | 'plan-not-for-this' }
  | { readonly why: 'conditions'; readonly conditions: readonly string[] }
  | { readonly why: 'item'; readonly item: IncidentItem }

const minuteMs = 60_000

const isOf = (item: IncidentItem, station: string | null): boolean =>
  item.is !== 'run' || item.station === station

/** Whether work stopped under FDA Food Code 2022, 8-404.11: unless a lead told that the interruption was no extended one. */
export function isStopped({ kind, extent }: Pick<IncidentState, 'kind' | 'extent'>): boolean {
  const { stops } = incidentRules[kind]
  return stops === 'always' || (stops === 'extended' && extent?.stopped !== false)
}

/** What is lacking of the approval: FDA Food Code 2022, 8-404.12; by a plan on file only 8-404.11(C): power or water that is gone. */
function approvalLacks(incident: IncidentState, plan: PlanOnFile | null): NotYet[] {
  const { approval, kind, at } = incident
  if (!isStopped(incident)) return []
  // A word of before it happened is none about it; what is typed is of a whole minute.
  if (!approval || approval.at < Math.floor(at / minuteMs) * minuteMs) return [{ why: 'not-approved' }]
  if (approval.way === 'authority') return []
  if (incidentRules[kind].stops !== 'extended') return [{ why: 'plan-not-for-this' }]
  if (!plan) return [{ why: 'no-plan' }]
  if (plan.since >= at) return [{ why: 'plan-later' }]
  const missing = plan.conditions.filter((c) => !approval.conditions.includes(c))
  return missing.length > 0 ? [{ why: 'conditions', conditions: missing }] : []
}

/**
 * All that is lacking before a station comes back; of the incident as a whole where `station` is null. Nothing is served before its list
 * is through. @param plan the authority's written plan on file; null where there is none.
 */
export function notYet(
  incident: IncidentState,
  items: readonly IncidentItem[],
  station: string | null,
  plan: PlanOnFile | null,
): NotYet[] {
  const left = items.filter((i) => !i.isDone && isOf(i, station))
  return [
    ...(incidentRules[incident.kind].evacuates && !incident.counted ? [{ why: 'not-counted' } as const] : []),
    ...(incident.over ? [] : [{ why: 'lasts' } as const]),
    ...left.map((item) => ({ why: 'item', item }) as const),
    ...approvalLacks(incident, plan),
  ]
}

/** Whether nothing of it is left at all: what may be served until a time is used up or thrown out first. */
export const mayEnd = (items: readonly IncidentItem[]): boolean =>
  items.every((i) => i.is !== 'cold' || i.outcome?.is !== 'use-by' || i.isGone)

/** Stations that may come back now, in their order. */
export const readyBack = (
  incident: IncidentState,
  items: readonly IncidentItem[],
  plan: PlanOnFile | null,
): string[] => stationsOut(incident).filter((id) => notYet(incident, items, id, plan).length === 0)
