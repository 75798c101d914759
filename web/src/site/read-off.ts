import { typedIn } from '@tadka/core/plate'
import { decimals } from '@tadka/core/quantity'
import { readLimits, type StationState, type Step } from '@tadka/core/procedure'
import { recipeRange, type RecipeRange } from '@tadka/core/house'
import { useI18n } from 'vue-i18n'
import { useSite } from './site.ts'
import { useUnitSystem } from './unit-system.ts'

type ReadStep = Step & { kind: 'read' }

/** Numbers that steps read off, in the site's units and back. */
export function useReadOff() {
  const { t } = useI18n()
  const site = useSite()
  const { system } = useUnitSystem()
  const typed = (step: ReadStep) => typedIn({ unit: step.unit }, system.value)
  const figure = (step: ReadStep, value: number) => decimals(typed(step).shown(value), 1)
  const withUnit = (step: ReadStep, figures: string) => [figures, typed(step).unit].filter(Boolean).join(' ')
  return {
    typed,
    /** What the recipe of the mix in a machine asks; null where the step goes by none, or nobody has entered one. */
    recipeOf: ({ recipe }: ReadStep, station: Pick<StationState, 'holds'>): RecipeRange | null =>
      recipe === undefined
        ? null
        : recipeRange(
            (station.holds?.mixes ?? []).map((id) => site.one('mix', id)),
            recipe,
          ),
    /** "180 µm". @param value in the step's own unit. */
    say: (step: ReadStep, value: number) => withUnit(step, figure(step, value)),
    /** By how much it is more or less, in the site's units. @param by in the step's own unit, a difference. */
    sayMore: (step: ReadStep, by: number) => {
      const unit = typedIn({ unit: step.unit === '°C' ? 'K' : step.unit }, system.value)
      return [decimals(unit.shown(by), 1), unit.unit].filter(Boolean).join(' ')
    },
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
