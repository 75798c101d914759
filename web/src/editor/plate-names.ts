import { allProcedures, type ParameterUnit } from '@tadka/core/procedure'

/** The plate's numbers that the library's procedures take, each with its unit. */
const known: Readonly<Record<string, ParameterUnit>> = Object.fromEntries(
  allProcedures().flatMap((p) => Object.entries(p.parameters)),
)

export const unitOf = (name: string): ParameterUnit => known[name] ?? 'count'

/** Names of the plate's numbers in a unit. */
export const namesIn = (unit: ParameterUnit): string[] =>
  Object.keys(known)
    .filter((name) => known[name] === unit)
    .toSorted()
