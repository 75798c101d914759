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

/** Of the facets as they are now, those that `effects` is about to change. */
export const beforeEffects = (effects: Partial<Facets>, now: Facets): Partial<Facets> =>
  Object.fromEntries(Object.keys(effects).map((key) => [key, now[key as keyof Facets]]))
