import { computed, ref } from 'vue'
import { useKit } from '../site/kit.ts'

/**
 * The product for a use: the one there is; where a site has several, the one that was chosen here, or the one that the site prefers. Until
 * then none, so that nobody pours or dips by the label of a bottle that is not at hand.
 * @param ranged only products whose label gives a range for the use: what can be judged.
 */
export function useChosenProduct(use: () => string | null, ranged = false) {
  const kit = useKit()
  const picked = ref<string | null>(null)
  const chosen = computed({
    get: () => picked.value ?? kit.preferred(use() ?? ''),
    set: (id: string | null) => (picked.value = id),
  })
  const candidates = computed(() => {
    const asked = use()
    return asked === null ? [] : kit.forUse(asked).filter((c) => !ranged || c.use.range !== null)
  })
  const candidate = computed(() => {
    const [only, second] = candidates.value
    return candidates.value.find((c) => c.product.id === chosen.value) ?? (second ? null : (only ?? null))
  })
  return {
    candidates,
    candidate,
    chosen,
    options: computed(() => candidates.value.map((c) => ({ text: c.product.name, value: c.product.id }))),
  }
}
