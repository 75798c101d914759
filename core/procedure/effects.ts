import type { Facets } from './facets.ts'
import { stepsOf, type Procedure, type Step } from './language.ts'
import { lanesOf, outline, pieces, type InLane, type Position } from './outline.ts'
import type { RunState } from './run.ts'

/** What doing a step makes of the machine, or of its lane, with its parts counted out or in. */
export function stepEffects(step: Step): Partial<Facets> {
  const effects = step.effects ?? {}
  if (step.kind !== 'parts') return effects
  if (step.direction === 'out')
    return { ...effects, assembly: effects.assembly ?? 'apart', partsOut: pieces(step) }
  return { ...effects, partsOut: 0 }
}

type Facet = keyof Facets

/** From worst to best, where lanes differ: what one barrel still holds counts for the machine. */
const worstFirst: { readonly [F in Facet]?: readonly Facets[F][] } = {
  contents: ['unknown', 'descaler', 'sanitizer', 'detergent', 'rinse', 'product', 'empty'],
  assembly: ['apart', 'drying', 'whole'],
  power: ['freezing', 'on', 'agitating', 'standby', 'off', 'isolated'],
  hygiene: ['unknown', 'soiled', 'clean', 'sanitized'],
  primed: [false, true],
  feeds: ['off', 'on'],
  ice: ['cleaning', 'food', 'none'],
  heat: ['hot', 'cooled'],
}

function worst(facet: Facet, values: readonly unknown[]): unknown {
  if (facet === 'partsOut')
    return values.includes(null) ? null : values.reduce<number>((n, v) => n + Number(v ?? 0), 0)
  const order = (worstFirst[facet] ?? []) as readonly unknown[]
  return values.toSorted((a, b) => order.indexOf(a) - order.indexOf(b))[0]
}

/**
 * What doing a step makes of the station. In a lane it is the worst over the lanes that the facet is about: a freezer is
 * empty when every barrel is. @param now the station's facets before it.
 */
export function effectsOf(
  procedure: Procedure,
  run: RunState,
  position: Position,
  now: Facets,
): Partial<Facets> {
  if (position.kind === 'sign') return {}
  return asStation(procedure, run, position, now, stepEffects(position.step))
}

/** What is true of the station while a wait runs. */
export function effectsDuring(
  procedure: Procedure,
  run: RunState,
  position: Position,
  now: Facets,
): Partial<Facets> {
  if (position.kind !== 'step') return {}
  const { step } = position
  const during = step.kind === 'wait' || step.kind === 'tend' ? (step.during ?? {}) : {}
  return asStation(procedure, run, position, now, during)
}

function asStation(
  procedure: Procedure,
  run: RunState,
  position: Position,
  now: Facets,
  own: Partial<Facets>,
): Partial<Facets> {
  const { lane } = position
  if (!lane) return own
  const positions = outline(procedure, run)
  const facets = Object.keys(own) as Facet[]
  return Object.fromEntries(
    facets.map((f) => [f, overLanes(f, lane, positions, run, now, own)]),
  ) as Partial<Facets>
}

function overLanes(
  facet: Facet,
  lane: InLane,
  positions: readonly Position[],
  run: RunState,
  now: Facets,
  own: Partial<Facets>,
): unknown {
  const about = lanesOf(lane.group, run.parameters).filter((l) =>
    stepsOf(l.steps).some(
      (s) =>
        facet in stepEffects(s) || ((s.kind === 'wait' || s.kind === 'tend') && facet in (s.during ?? {})),
    ),
  )
  const prefix = lane.key.slice(0, lane.key.lastIndexOf('.') + 1)
  const worked = positions
    .filter((p) => p.key.startsWith(prefix) && run.done[p.key])
    .toSorted((a, b) => (run.done[a.key]?.at ?? 0) - (run.done[b.key]?.at ?? 0))
  const entry = entryOf(facet, worked, run, now)
  const values = about.map((l) => {
    if (`${prefix}${l.id}` === lane.key) return own[facet]
    const last = worked.findLast(
      (p) => p.kind === 'step' && p.lane?.key === `${prefix}${l.id}` && facet in stepEffects(p.step),
    )
    return last?.kind === 'step' ? stepEffects(last.step)[facet] : facet === 'partsOut' ? 0 : entry
  })
  return worst(facet, values)
}

/** The facet as it was when the lanes were entered: what the first step that changed it found. */
function entryOf(facet: Facet, worked: readonly Position[], run: RunState, now: Facets): unknown {
  const first = worked.find((p) => facet in (run.done[p.key]?.before ?? {}))
  return first ? run.done[first.key]?.before[facet] : now[facet]
}

/** Of the facets as they are now, those that `effects` is about to change. */
export const beforeEffects = (effects: Partial<Facets>, now: Facets): Partial<Facets> =>
  Object.fromEntries(
    Object.keys(effects)
      .map((key) => [key, now[key as Facet]])
      .filter(([, v]) => v !== undefined),
  )
