import { contactsTooShort, type Procedure } from '@tadka/core/procedure'
import { labelInForce } from '@tadka/core/record'
import { useI18n } from 'vue-i18n'
import { spokenLength } from '@tadka/words/length'
import { useKit } from './kit.ts'

/** Contact times that are entered shorter than they may be, each in a sentence that says what to enter instead. */
export function useContactCheck() {
  const { t } = useI18n()
  const kit = useKit()
  return (procedure: Procedure, parameters: Readonly<Record<string, number>>): string[] =>
    contactsTooShort(procedure, parameters, (use) =>
      kit.forUse(use).flatMap(({ product }) => labelInForce(product.id, product, use) ?? []),
    ).map((s) =>
      t(`house.contactShort.${s.because}`, {
        step: s.title,
        minutes: spokenLength(s.minutes * 60_000),
        least: spokenLength(s.least * 60_000),
        product: s.product ?? '',
      }),
    )
}
