import type { ProductKept } from '@tadka/core/house'
import { wrongSlots } from '@tadka/core/shelf'
import { useI18n } from 'vue-i18n'
import { useNames } from './names.ts'
import { useSite } from './site.ts'

/** What nobody may pour before it is put right: another label than the one entered, another product in its slot. */
export function useProductAlarms() {
  const { t } = useI18n()
  const names = useNames()
  const site = useSite()
  return ({ id, otherLabel }: { readonly id: string } & Pick<ProductKept, 'otherLabel'>): string[] => [
    ...(otherLabel ? [t('bench.concentrate.other-label', { lot: otherLabel.lot || '–' })] : []),
    ...wrongSlots(site.all('shelf'))
      .filter((w) => w.belongs === id)
      .map((w) => t('bench.concentrate.other-in-slot', { mark: w.mark, product: names.product(w.product) })),
  ]
}
