import { usesOf, type Procedure } from '@tadka/core/procedure'
import { useKit } from '../house/kit.ts'

/** What to have ready before the first step: the procedure's own list, and this site's product for each thing it mixes. */
export function useHaveReady() {
  const kit = useKit()
  return (procedure: Procedure, options: Readonly<Record<string, string>>): string[] => [
    ...procedure.materials,
    ...usesOf(procedure, options).flatMap((use) =>
      kit
        .forUse(use)
        .slice(0, 1)
        .map((c) => c.product.name),
    ),
  ]
}
