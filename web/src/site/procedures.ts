import { allProcedures, latestProcedure, proceduresOf, type Procedure } from '@tadka/core/procedure'
import { useSite } from './site.ts'

/** What can be begun on this site: the library's procedures and the site's own, each at its newest version. */
export function useProcedures() {
  const site = useSite()
  const own = (): Procedure[] => site.all('procedure').flatMap((p) => p.versions.at(-1) ?? [])
  const latest = (id: string): Procedure | null => own().find((p) => p.id === id) ?? latestProcedure(id)
  return {
    latest,
    nameOf: (id: string) => latest(id)?.name ?? id,
    of: (family: string): Procedure[] => [
      ...proceduresOf(family),
      ...own().filter((p) => p.family === family || family.startsWith(`${p.family}.`)),
    ],
    families: () => [...new Set([...allProcedures(), ...own()].map((p) => p.family))].toSorted(),
  }
}
