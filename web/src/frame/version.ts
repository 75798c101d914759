import { createSharedComposable } from '@vueuse/core'
import { useRegisterSW } from 'virtual:pwa-register/vue'

/** Puts the application on this tablet, from the first page on, and tells when a newer one is ready. */
export const useVersion = createSharedComposable(() => {
  const { needRefresh, updateServiceWorker } = useRegisterSW({ immediate: true })
  return { isNewReady: needRefresh, takeNew: () => updateServiceWorker() }
})
