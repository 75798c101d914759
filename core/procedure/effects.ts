import type { Facets } from './facets.ts'
import { pieces, type Position } from './outline.ts'

/** What doing a step makes of the station, with its parts counted out or in. */
export function effectsOf(position: Position): Partial<Facets> {
  if (position.kind === 'sign') return {}
  const { step } = position
  const effects = step.effects ?? {}
  if (step.kind !== 'parts') return effects
  return step.direction === 'out'
    ? { ...effects, assembly: effects.assembly ?? 'apart', partsOut: pieces(step) }
    : { ...effects, partsOut: 0 }
}

/** What is true while a wait runs. */
export const effectsDuring = (position: Position): Partial<Facets> =>
  position.kind === 'step' && position.step.kind === 'wait' ? (position.step.during ?? {}) : {}

/** The facets as they are now, of those that a step would change: what taking it back restores. */
export function restoring(position: Position, now: Facets): Partial<Facets> {
  const touched = { ...effectsDuring(position), ...effectsOf(position) }
  return Object.fromEntries(Object.keys(touched).map((key) => [key, now[key as keyof Facets]]))
}
