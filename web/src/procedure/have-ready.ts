import { type Procedure, usesLacking, usesOf } from '@tadka/core/procedure'
import { useI18n } from 'vue-i18n'
import { useKit } from '../site/kit.ts'

/** What to have ready before the first step: the procedure's own list, and this site's product for each thing it mixes. */
export function useHaveReady() {
  const kit = useKit()
  const { t } = useI18n()
  return (procedure: Procedure, options: Readonly<Record<string, string>>): string[] => [
    ...procedure.materials,
    ...usesOf(procedure, options).flatMap((use) => {
      const names = kit.forUse(use).map((c) => c.product.name)
      return names.length > 0 ? [names.join(` ${t('common.or')} `)] : []
    }),
  ]
}

/** What a procedure mixes and no product of the site is entered for. */
export function useLacking() {
  const kit = useKit()
  return (procedure: Procedure, options: Readonly<Record<string, string>>): string[] =>
    usesLacking(procedure, options, kit.products.value)
}
