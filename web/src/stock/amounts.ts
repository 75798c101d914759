import type { StockUnit } from '@tadka/core/stock'
import { useI18n } from 'vue-i18n'
import { decimals } from '@tadka/core/quantity'
import { useUnits } from '../site/units.ts'

/** Amounts of what is in stock: as they are shown, and as they are typed in the site's own units. */
export function useAmounts() {
  const { t } = useI18n()
  const units = useUnits()
  return {
    say(unit: StockUnit, amount: number): string {
      if (unit === 'mL') return units.volume(amount)
      if (unit === 'g') return amount >= 1000 ? `${decimals(amount / 1000, 1)} kg` : `${Math.round(amount)} g`
      return t('stock.pieces', { v: Math.round(amount) })
    },
    /** The unit that it is typed in. */
    unitOf: (unit: StockUnit) => (unit === 'mL' ? units.typed('litres').unit : unit === 'g' ? 'g' : ''),
    kept: (unit: StockUnit, typed: number) =>
      unit === 'mL' ? units.typed('litres').kept(typed) * 1000 : typed,
    typed(unit: StockUnit, kept: number): number {
      if (unit !== 'mL') return kept
      return Math.round(units.typed('litres').typed(kept / 1000) * 1000) / 1000
    },
  }
}
