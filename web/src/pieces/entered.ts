import { useEventListener } from '@vueuse/core'
import { readonly, ref, watch } from 'vue'

/** What somebody enters by beside fields: whatever is pressed on the page, number keys and parts that are counted among it. */
const pressed = 'main button:not(.acting *), .n-base-select-option'

const isEntered = ref(false)
/** Something was typed or picked on the page that is open, and may not have been saved yet. */
export const hasEntry = readonly(isEntered)

/** Watches the page for what is typed or picked on it. @param page what makes it another page: it begins with nothing entered. */
export function useEntryWatch(page: () => string): void {
  const entered = () => (isEntered.value = true)
  useEventListener(document, 'input', entered, { capture: true })
  useEventListener(
    document,
    'click',
    (e) => {
      if (e.target instanceof Element && e.target.closest(pressed)) entered()
    },
    { capture: true },
  )
  watch(page, () => (isEntered.value = false))
}
