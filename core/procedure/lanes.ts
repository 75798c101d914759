import { mayChange } from './effects.ts'
import type { Facets } from './facets.ts'
import { stepsOf } from './nodes.ts'
import type { InLane } from './frame.ts'
import { lanesOf } from './outline.ts'
import type { RunState } from './run-state.ts'

type Facet = keyof Facets

/** Lanes side by side: how the station stood when they were entered, and what has changed in each since. */
export interface LaneGroup {
  readonly entry: Facets
  readonly lanes: Readonly<Record<string, Partial<Facets>>>
}
export type LaneGroups = Readonly<Record<string, LaneGroup>>

/** From worst to best, where lanes differ: what one barrel still holds counts for the machine. */
const worstFirst: { readonly [F in Facet]?: readonly Facets[F][] } = {
  contents: ['unknown', 'descaler', 'sanitizer', 'detergent', 'rinse', 'product', 'empty'],
  assembly: ['apart', 'drying', 'whole'],
  power: ['freezing', 'on', 'agitating', 'standby', 'off', 'isolated'],
  hygiene: ['unknown', 'soiled', 'rinsed', 'clean', 'sanitized'],
  residue: ['descaler', 'detergent', 'none'],
  contact: ['none', 'wet', 'whole'],
  primed: [false, true],
  feeds: ['off', 'on'],
  ice: ['cleaning', 'food', 'none'],
  heat: ['hot', 'cooled'],
}

function worst(facet: Facet, values: readonly unknown[]): unknown {
  const order = (worstFirst[facet] ?? []) as readonly unknown[]
  return values.toSorted((a, b) => order.indexOf(a) - order.indexOf(b))[0]
}

const groupKey = (lane: InLane): string => lane.key.slice(0, lane.key.lastIndexOf('.'))

/** The facets as they are in a lane: its own changes over how the station stood when the lanes were entered. */
export function facetsInLane(now: Facets, groups: LaneGroups, lane: InLane | null): Facets {
  const group = lane && groups[groupKey(lane)]
  if (!lane || !group) return now
  const changedAnywhere = new Set(Object.values(group.lanes).flatMap((l) => Object.keys(l) as Facet[]))
  const entered = Object.fromEntries([...changedAnywhere].map((f) => [f, group.entry[f]]))
  return { ...now, ...entered, partsOut: now.partsOut, ...group.lanes[lane.key] }
}

/** The station and its lanes after a change in one of them: for each facet the worst over the lanes that it is about. */
export function changedInLane(
  now: Facets,
  groups: LaneGroups,
  lane: InLane | null,
  change: Partial<Facets>,
  run: Pick<RunState, 'parameters'>,
): { readonly facets: Facets; readonly groups: LaneGroups } {
  if (!lane) return { facets: { ...now, ...change }, groups }
  const { partsOut, ...own } = change
  const group = groups[groupKey(lane)] ?? { entry: now, lanes: {} }
  const lanes = { ...group.lanes, [lane.key]: { ...group.lanes[lane.key], ...own } }
  const next: LaneGroup = { entry: group.entry, lanes }
  const facets = Object.fromEntries(
    (Object.keys(own) as Facet[]).map((f) => [f, worst(f, valuesOver(f, lane, next, run))]),
  )
  return {
    facets: { ...now, ...facets, ...(partsOut === undefined ? {} : { partsOut }) },
    groups: { ...groups, [groupKey(lane)]: next },
  }
}

function valuesOver(
  facet: Facet,
  lane: InLane,
  group: LaneGroup,
  run: Pick<RunState, 'parameters'>,
): unknown[] {
  return lanesOf(lane.group, run.parameters).flatMap((l) => {
    const key = `${groupKey(lane)}.${l.id}`
    const own = group.lanes[key]
    if (own && facet in own) return [own[facet]]
    // Barrels are all about the same; lanes of different work only where their own steps say so.
    const about = lane.group.kind === 'each' || stepsOf(l.steps).some((s) => mayChange(s, facet))
    return about ? [group.entry[facet]] : []
  })
}

/** The facets named as they are over the lanes of a group, as its lanes stand now. */
export function facetsOver(
  groups: LaneGroups,
  lane: InLane,
  names: readonly Facet[],
  run: Pick<RunState, 'parameters'>,
): Partial<Facets> {
  const group = groups[groupKey(lane)]
  if (!group) return {}
  return Object.fromEntries(names.map((f) => [f, worst(f, valuesOver(f, lane, group, run))]))
}
