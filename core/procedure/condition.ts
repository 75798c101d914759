import { facetsInLane, type LaneGroups } from './lanes.ts'
import { allActs, type Act, type Facets } from './facets.ts'
import type { InLane, Position } from './frame.ts'
import { outline } from './outline.ts'
import { waitsForFullClean } from './mix-change.ts'
import type { Procedure } from './language.ts'
import type { RunState } from './run-state.ts'
import { isClosed, isOut, type Closure } from './station-closed.ts'
import { conflictsOf, conflictsOfAct, type Condition, type SafetyRule } from './safety-rules.ts'

/** What a station must tell so that its next step can be judged. */
export interface Standing {
  readonly facets: Facets
  readonly sanitizedAt: number | null
  readonly outOfService: object | null
  readonly closures?: readonly Closure[]
  readonly countedAt: number | null
  readonly mixChange?: { readonly at: number }
  /** Lanes of its runs, by run. */
  readonly lanes: Readonly<Record<string, LaneGroups>>
}

export interface Moment {
  /** Milliseconds UTC. */
  readonly at: number
  /** Hours after which a sanitized machine is sanitized again before product. */
  readonly freshHours: number
}

/** The condition of a station just before a step of a run; of the station alone where no run is on it. */
export function conditionOf(
  procedure: Procedure | null,
  run: RunState | null,
  station: Standing,
  lane: InLane | null,
  { at, freshHours }: Moment,
): Condition {
  const groups = run ? (station.lanes[run.id] ?? {}) : {}
  const facets = facetsInLane(station.facets, groups, lane)
  const { sanitizedAt } = station
  const passed = procedure && run ? outline(procedure, run).filter((p) => run.done[p.key]) : []
  const steps = passed.flatMap((p) => (p.kind === 'step' ? [p.step] : []))
  const leftOut = steps
    .flatMap((s) => (s.kind === 'parts' ? s.parts.filter((p) => s.leave?.includes(p.id)) : []))
    .reduce((n, p) => n + p.count, 0)
  return {
    facets,
    worn: steps.flatMap((s) => (s.kind === 'gate' ? (s.wear ?? []) : [])),
    mixed: Object.values(run?.done ?? {}).flatMap((d) =>
      d.label ? [{ use: d.label.use, alsoWashes: d.label.alsoWashes }] : [],
    ),
    leftOut: leftOut > 0 && (facets.partsOut ?? Infinity) <= leftOut,
    counting: steps.some((s) => s.kind === 'parts' && s.direction === 'in'),
    // In lanes each barrel is sanitized by itself: how long ago is told by the station as a whole.
    stale: sanitizedAt === null || at - sanitizedAt > freshHours * 3_600_000,
    outOfService: isOut(station),
    closed: isClosed(station, run?.id ?? null),
    mixChanged: waitsForFullClean(station),
  }
}

/** The rules that a step of a run would break now. */
export function conflictsAt(
  procedure: Procedure,
  run: RunState,
  station: Standing,
  position: Position,
  when: Moment,
): SafetyRule[] {
  if (position.kind === 'sign') return []
  return conflictsOf(procedure, conditionOf(procedure, run, station, position.lane, when), position.step)
}

/** An act that the state forbids, with the first rule it would break. */
export interface Forbidden {
  readonly act: Act
  readonly why: SafetyRule
}

/** The acts that a station's state forbids, with the reason. @param lane where the next step is worked. */
export function forbiddenActs(
  procedure: Procedure,
  run: RunState | null,
  station: Standing,
  lane: InLane | null,
  when: Moment,
): Forbidden[] {
  const condition = conditionOf(procedure, run, station, lane, when)
  return allActs.flatMap((act) => {
    const [why] = conflictsOfAct(procedure, condition, act)
    return why ? [{ act, why }] : []
  })
}
