import type { TrustView } from '@tadka/contract/people'
import { ref } from 'vue'
import { useAsking } from '../wire/asking.ts'
import { ask } from '../wire/api.ts'

/** What this site's tablets are told to trust; asked for once, and again on demand. */
export function useTrust() {
  const view = ref<TrustView | null>(null)
  const asking = useAsking()
  const look = () => asking.tryTo(async () => (view.value = await ask<TrustView>('GET', '/api/trust')))
  void look()
  return { view, look, wrong: asking.wrong }
}
