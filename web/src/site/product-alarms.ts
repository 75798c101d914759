import type { ProductKept } from '@tadka/core/house'
import { useI18n } from 'vue-i18n'
import { useNames } from './names.ts'

/** What nobody may pour before it is put right: another label than the one entered, another product in its slot. */
export function useProductAlarms() {
  const { t } = useI18n()
  const names = useNames()
  return ({ otherLabel, otherInSlot }: Pick<ProductKept, 'otherLabel' | 'otherInSlot'>): string[] => [
    ...(otherLabel ? [t('bench.concentrate.other-label', { lot: otherLabel.lot || '–' })] : []),
    ...(otherInSlot
      ? [
          t('bench.concentrate.other-in-slot', {
            mark: otherInSlot.mark,
            product: names.product(otherInSlot.product),
          }),
        ]
      : []),
  ]
}
