import { decimals } from '@tadka/core/quantity'
import type { Correction } from '@tadka/core/solution'
import { useI18n } from 'vue-i18n'
import { onTool } from '../pieces/jug.ts'
import { useKit } from '../site/kit.ts'
import { useUnits } from '../site/units.ts'

const shares = [
  ['quarter', 1 / 4],
  ['third', 1 / 3],
  ['half', 1 / 2],
  ['thirds', 2 / 3],
  ['quarters', 3 / 4],
] as const

/** Amounts as a person measures them: on the tool's own marks, in pieces, in grams, or as a part of the bath. */
export function useAmounts() {
  const { t } = useI18n()
  const units = useUnits()
  const kit = useKit()
  return (c: Pick<Correction, 'move' | 'amount' | 'unit' | 'tool'>): string => {
    if (c.unit === 'pieces')
      return t('bench.amount.pieces', { n: decimals(c.amount, 1) }, c.amount === 1 ? 1 : 2)
    if (c.unit === 'g') return `${decimals(c.amount, 1)} g`
    if (c.unit === 'share') {
      const named = shares.find(([, share]) => Math.abs(share - c.amount) < 1e-9)
      return named ? t(`bench.share.${named[0]}`) : `${Math.round(c.amount * 100)} %`
    }
    const tool = c.move === 'strengthen' ? kit.tools.value.find((k) => k.name === c.tool) : undefined
    if (!tool) return units.volume(c.amount)
    const shown = onTool(c.amount, tool)
    return `${shown.figure} ${shown.unit}`
  }
}
