import { decimals, type Interval } from '@tadka/core/quantity'
import { useI18n } from 'vue-i18n'

type Translate = (key: string, values: Record<string, string>) => string

/**
 * A span of numbers in words, the unit where it belongs: "100 to 200 ppm", "82 °C or more", "5 °C or less", "150 ppm".
 * @param unit as it stands behind the number; none for pH.
 */
export function spanWords(t: Translate, { lo, hi }: Interval, unit = ''): string {
  const behind = unit === '' || unit === 'pH' ? '' : ` ${unit}`
  const shown = (v: number) => decimals(v, 1)
  if (lo !== null && hi !== null)
    return shown(lo) === shown(hi)
      ? `${shown(lo)}${behind}`
      : `${t('span.between', { lo: shown(lo), hi: shown(hi) })}${behind}`
  if (lo !== null) return t('span.least', { v: `${shown(lo)}${behind}` })
  return hi === null ? t('span.any', {}) : t('span.most', { v: `${shown(hi)}${behind}` })
}

export function useSpanWords(): (span: Interval, unit?: string) => string {
  const { t } = useI18n()
  return (span, unit) => spanWords(t, span, unit)
}
