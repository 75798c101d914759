import { learnedMinutes, procedureOfRun, type Learned, type RunState } from '@tadka/core/procedure'

/** Minutes that a site and its people take by step, by procedure, from its finished runs; each procedure by the newest version among them. */
export function learnedBySite(runs: readonly RunState[]): Record<string, Learned> {
  const ids = [...new Set(runs.map((r) => r.procedure.id))]
  return Object.fromEntries(
    ids.flatMap((id) => {
      const own = runs.filter((r) => r.procedure.id === id)
      const version = Math.max(...own.map((r) => r.procedure.version))
      const newest = own.filter((r) => r.procedure.version === version)
      const [first] = newest
      const procedure = first && procedureOfRun(first)
      return procedure && first ? [[id, learnedMinutes(procedure, newest, first.parameters)]] : []
    }),
  )
}
