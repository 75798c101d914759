import { Refusal } from '@tadka/core/refusal'
import { useI18n } from 'vue-i18n'

/** What a sign-in that was refused says: why, and how many tries or seconds are left. */
export function useRefusalText(): (error: unknown) => string {
  const { t } = useI18n()
  return (error) => {
    if (!(error instanceof Refusal)) return t('people.unreachable')
    const { triesLeft, seconds } = error.details
    if (typeof seconds === 'number') return t('people.waitFor', { n: seconds })
    return typeof triesLeft === 'number' && triesLeft > 0
      ? `${error.message} ${t('people.triesLeft', { n: triesLeft })}`
      : error.message
  }
}
