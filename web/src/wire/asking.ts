import { Refusal } from '@tadka/core/refusal'
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { Unreachable } from './api.ts'

/** Something asked of the server: whether it is under way, and what went wrong, in words that say what to do. */
export function useAsking() {
  const { t } = useI18n()
  const busy = ref(false)
  const wrong = ref('')

  /** Tries it; false where it did not work, with `wrong` set. */
  async function tryTo(what: () => Promise<unknown>): Promise<boolean> {
    busy.value = true
    wrong.value = ''
    try {
      const answer = (await what()) as { outcomes?: { outcome: string; message?: string }[] } | null
      const refused = answer?.outcomes?.find((o) => o.outcome === 'refused')
      wrong.value = refused?.message ?? ''
      return refused === undefined
    } catch (error) {
      wrong.value =
        error instanceof Refusal
          ? error.message
          : error instanceof Unreachable
            ? t('common.offline')
            : String(error)
      return false
    } finally {
      busy.value = false
    }
  }
  return { busy, wrong, tryTo }
}
