import type { SampleFound } from '@tadka/core/lab'
import { decimals } from '@tadka/core/quantity'
import { useI18n } from 'vue-i18n'

/** A laboratory's number as it is written: "Coliform: less than 10 /g". */
export function useFoundWords() {
  const { t } = useI18n()
  return ({ of, value, bound, unit }: SampleFound): string =>
    t('lab.line', {
      of: t(`lab.of.${of}`),
      value: bound === null ? decimals(value, 3) : `${t(`lab.bound.${bound}`)} ${decimals(value, 3)}`,
      unit,
    })
}
