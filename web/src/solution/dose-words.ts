import type { ProductSet } from '@tadka/core/house'
import { useI18n } from 'vue-i18n'

/** How a label gives its dose, in its own wording where that was entered. */
export function useDoseWords(): (supply: ProductSet['supply']) => string {
  const { t } = useI18n()
  return (supply) => {
    // A label that states its strength is told by it, whatever it says of a dilution as well.
    const isStated = 'stated' in supply && supply.stated !== undefined
    const worded = 'worded' in supply && !isStated ? supply.worded : undefined
    switch (worded?.as) {
      case 'per-volume':
      case 'per-weight':
        return t('house.worded.per', { ...worded })
      case 'at-ratio':
        return t('house.worded.ratio', { ...worded })
      case 'pieces-per':
        return t('house.worded.pieces', { ...worded })
    }
    switch (supply.kind) {
      case 'strength': {
        const { stock, stated } = supply
        const ppm = t('house.stockPpm', { v: Math.round(stock) })
        return stated && stated.as !== 'ppm' ? `${stated.value} ${stated.as}: ${ppm}` : ppm
      }
      case 'per-litre':
        return t('house.perLitre', { v: supply.millilitres })
      case 'grams-per-litre':
        return t('house.gramsPerLitre', { v: supply.grams })
      case 'powder':
        return t('house.powder', { v: supply.active * 100 })
      case 'pieces':
        return t('house.pieces', { v: supply.active })
      case 'ratio':
        return t('house.ratio', { meaning: supply.meaning, parts: supply.parts })
    }
  }
}
