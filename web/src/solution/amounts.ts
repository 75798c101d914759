import { decimals, millilitres, volumeIn } from '@tadka/core/quantity'
import type { Correction, MeasuringTool } from '@tadka/core/solution'
import { useI18n } from 'vue-i18n'
import { useKit } from '../site/kit.ts'
import { useUnits } from '../site/units.ts'

/** An amount on a tool, in the unit that its marks are printed in, to as many places as its marks have. */
export function onTool(mL: number, tool: Pick<MeasuringTool, 'marks' | 'graduation'>) {
  const unit = tool.marks ?? 'mL'
  const mark = volumeIn(tool.graduation, unit)
  const places = [0, 1, 2, 3].find((n) => Math.abs(Number(mark.toFixed(n)) - mark) < 1e-4) ?? 3
  return { figure: decimals(volumeIn(millilitres(mL), unit), places), unit }
}

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
