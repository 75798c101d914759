import { Refusal } from '../refusal/index.ts'

/**
 * A number on the model's data plate, by name, as it is or so many times it, less another of its numbers; `else` stands in where the plate
 * lacks it. Or a fixed one.
 */
export type Parameter =
  | number
  | {
      readonly of: string
      readonly times?: number
      readonly less?: string
      readonly else?: Exclude<Parameter, number>
    }

export const parameterUnits = ['mL', 'min', 'count', '°C', 'K', 'g', 'µm', 'ppm'] as const
export type ParameterUnit = (typeof parameterUnits)[number]

/** A parameter's number from the run's model; undefined where its plate lacks it. */
export function knownNumber(
  parameter: Parameter,
  parameters: Readonly<Record<string, number>>,
): number | undefined {
  if (typeof parameter === 'number') return parameter
  const { of, times = 1, less } = parameter
  const [value, off] = [parameters[of], less === undefined ? 0 : parameters[less]]
  if (value !== undefined && off !== undefined) return value * times - off
  return parameter.else && knownNumber(parameter.else, parameters)
}

/** A parameter's number from the run's model. Throws `parameter_missing`. */
export function numberOf(parameter: Parameter, parameters: Readonly<Record<string, number>>): number {
  const value = knownNumber(parameter, parameters)
  if (value !== undefined) return value
  throw new Refusal('parameter_missing', { parameter: typeof parameter === 'object' ? parameter.of : '' })
}

/** The plate's numbers that a parameter takes, those that stand in among them. */
export const namesOf = (parameter: Parameter | undefined): string[] =>
  typeof parameter === 'object'
    ? [parameter.of, ...(parameter.less ? [parameter.less] : []), ...namesOf(parameter.else)]
    : []
