import type { RecipeRange } from '../house/mix.ts'
import type { Interval } from '../quantity/index.ts'
import type { Verdict } from '../rules/index.ts'
import type { Parameter } from './parameter.ts'
import type { Step } from './language.ts'
import { knownNumber } from './parameter.ts'

type ReadStep = Step & { readonly kind: 'read' }

/** The limits of a reading, in its own unit; undefined: the model's plate does not say, null: there is none on that side. */
export interface ReadLimits {
  readonly from: number | null | undefined
  readonly to: number | null | undefined
}

/** Whether what is read is judged at all. */
export const isJudged = (step: ReadStep): boolean =>
  step.from !== undefined || step.to !== undefined || step.recipe !== undefined

/**
 * What a reading is held against on one machine. @param parameters of the run, by name. @param recipe of the mix in it, where the step goes
 * by one; null where nobody has entered any.
 */
export function readLimits(
  step: ReadStep,
  parameters: Readonly<Record<string, number>>,
  recipe: RecipeRange | null = null,
): ReadLimits {
  if (step.recipe !== undefined) return { from: recipe?.lo, to: recipe?.hi }
  const limit = (p: Parameter | undefined) => (p === undefined ? null : knownNumber(p, parameters))
  return { from: limit(step.from), to: limit(step.to) }
}

/**
 * The verdict on a number that was read off; null where nothing is held against it. What the plate does not say cannot pass.
 * @param value in the step's unit.
 */
export function readVerdict(
  step: ReadStep,
  value: number,
  parameters: Readonly<Record<string, number>>,
  recipe: RecipeRange | null = null,
): Verdict | null {
  if (!isJudged(step)) return null
  const { from, to } = readLimits(step, parameters, recipe)
  if ((typeof from === 'number' && value < from) || (typeof to === 'number' && value > to)) return 'out'
  return from === undefined || to === undefined ? 'cannot-tell' : 'in'
}

/** The strength that a machine's manual asks for at a step that checks sanitizer, ppm; null where it, or the plate, says nothing. */
export function plateStrength(step: Step, parameters: Readonly<Record<string, number>>): Interval | null {
  if (step.kind !== 'check' || step.what !== 'sanitizer') return null
  const limit = (p: Parameter | undefined) => (p === undefined ? null : (knownNumber(p, parameters) ?? null))
  const [lo, hi] = [limit(step.from), limit(step.to)]
  return lo === null && hi === null ? null : { lo, hi }
}
