import { typedIn } from '@tadka/core/plate'
import { decimals } from '@tadka/core/quantity'
import { readLimits, type Step } from '@tadka/core/procedure'
import type { RecipeRange } from '@tadka/core/house'
import { useI18n } from 'vue-i18n'
import { useUnitSystem } from './unit-system.ts'

type ReadStep = Step & { kind: 'read' }

/** Numbers that steps read off, in the site's units and back. */
export function useReadOff() {
  const { t } = useI18n()
  const { system } = useUnitSystem()
  const typed = (step: ReadStep) => typedIn({ unit: step.unit }, system.value)
  const figure = (step: ReadStep, value: number) => decimals(typed(step).shown(value), 1)
  const withUnit = (step: ReadStep, figures: string) => [figures, typed(step).unit].filter(Boolean).join(' ')
  return {
    typed,
    /** "180 µm". @param value in the step's own unit. */
    say: (step: ReadStep, value: number) => withUnit(step, figure(step, value)),
    /** What the plate asks for, in words; empty where nothing is held against it. */
    limits(
      step: ReadStep,
      parameters: Readonly<Record<string, number>>,
      recipe: RecipeRange | null = null,
    ): string {
      const { from, to } = readLimits(step, parameters, recipe)
      if (from === undefined || to === undefined)
        return t(step.recipe ? 'run.readNoRecipe' : 'run.readUnknown')
      if (from !== null && to !== null)
        return t(step.recipe ? 'run.readRecipe' : 'run.readBetween', {
          from: figure(step, from),
          to: withUnit(step, figure(step, to)),
        })
      if (from !== null) return t('run.readLeast', { from: withUnit(step, figure(step, from)) })
      return to === null ? '' : t('run.readMost', { to: withUnit(step, figure(step, to)) })
    },
  }
}
