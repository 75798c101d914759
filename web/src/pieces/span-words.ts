import type { Interval } from '@tadka/core/quantity'
import { spanWords } from '@tadka/words/tell'
import { useI18n } from 'vue-i18n'

/** Spans of numbers in words: "100 to 200 ppm". */
export function useSpanWords(): (span: Interval, unit?: string) => string {
  const { t } = useI18n()
  return (span, unit) => spanWords(t, span, unit)
}
