import { decimals, showVolume } from '@tadka/core/quantity'
import type { Position, Procedure } from '@tadka/core/procedure'
import { useUnitSystem } from './unit-system.ts'

/** A procedure's words with its numbers put in, in the site's units. */
export function useStepWords() {
  const { system } = useUnitSystem()
  const units = () => system.value

  const fill = (
    text: string,
    parameters: Readonly<Record<string, number>>,
    procedure: Pick<Procedure, 'parameters'> | null,
  ): string =>
    text.replace(/\{(\w+)\}/g, (whole, name: string) => {
      const value = parameters[name]
      if (value === undefined) return whole
      const unit = procedure?.parameters[name] ?? 'mL'
      if (unit === 'count') return decimals(value, 0)
      if (unit !== 'mL') return `${decimals(value, 1)} ${unit}`
      const shown = showVolume(value, units())
      return `${shown.value} ${shown.unit}`
    })

  const titleOf = (
    position: Position,
    parameters: Readonly<Record<string, number>>,
    procedure: Pick<Procedure, 'parameters'> | null,
  ): string =>
    fill(position.kind === 'sign' ? position.group.sign : position.step.title, parameters, procedure)

  return { fill, titleOf, units }
}
