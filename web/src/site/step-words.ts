import { decimals, showLength, showVolume } from '@tadka/core/quantity'
import { showLimit } from '@tadka/core/rules'
import type { Position, Procedure } from '@tadka/core/procedure'
import { useUnitSystem } from './unit-system.ts'

/** A question, or what is asked about, before its answer. */
export const askedOf = (question: string): string => (question.endsWith('?') ? question : `${question}:`)

/** A procedure's words with its numbers put in, in the site's units. */
export function useStepWords() {
  const { system } = useUnitSystem()
  const units = () => system.value

  /** @param value in the unit of a plate's number, or `cm` where a procedure's words give a length. */
  const said = (value: number, unit: string): string => {
    if (unit === 'count') return decimals(value, 0)
    const show = { mL: showVolume, '°C': showLimit, cm: showLength }[unit]
    if (!show) return `${decimals(value, 1)} ${unit}`
    const shown = show(value, units())
    return `${shown.value} ${shown.unit}`
  }

  /** `{litres}` is a number of the machine's plate; `{5 °C}` is one of the procedure itself. */
  const fill = (
    text: string,
    parameters: Readonly<Record<string, number>>,
    procedure: Pick<Procedure, 'parameters'> | null,
  ): string =>
    text.replace(
      /\{(?:(\w+)|(\d+(?:\.\d+)?) (°C|cm|mL))\}/g,
      (whole, name?: string, fixed?: string, of?: string) => {
        if (fixed && of) return said(Number(fixed), of)
        const value = parameters[name ?? '']
        return value === undefined ? whole : said(value, procedure?.parameters[name ?? ''] ?? 'mL')
      },
    )

  const titleOf = (
    position: Position,
    parameters: Readonly<Record<string, number>>,
    procedure: Pick<Procedure, 'parameters'> | null,
  ): string =>
    fill(position.kind === 'sign' ? position.group.sign : position.step.title, parameters, procedure)

  return { fill, titleOf, units }
}
