import { createSharedComposable, useIntervalFn } from '@vueuse/core'
import { ref } from 'vue'
import { useSession } from '../rights/session.ts'
import { ask } from '../wire/api.ts'

const everyMs = 30 * 60_000

/** What the site's earlier baths lost an hour, by product: more than a tablet holds, so the server is asked. Away from it, what was last told. */
export const useLosses = createSharedComposable(() => {
  const session = useSession()
  const losses = ref<Readonly<Record<string, readonly number[]>>>({})
  async function look(): Promise<void> {
    if (!session.site) return
    try {
      const path = `/api/sites/${session.site}/baths/losses`
      losses.value = (await ask<{ losses: Record<string, readonly number[]> }>('GET', path)).losses
    } catch {
      // The usual loss serves until the server answers.
    }
  }
  useIntervalFn(() => void look(), everyMs, { immediateCallback: true })
  return losses
})
