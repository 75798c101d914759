import type { SiteKnown } from '@tadka/core/warewash'
import { createSharedComposable } from '@vueuse/core'
import { computed } from 'vue'
import { useKit } from '../site/kit.ts'
import { useSite } from '../site/site.ts'
import { useLosses } from './losses.ts'

/** What the core works out baths and duties from, as this tablet knows it. */
export const useSiteKnown = createSharedComposable(() => {
  const site = useSite()
  const kit = useKit()
  const losses = useLosses()
  return computed<SiteKnown>(() => ({
    site: site.set,
    stations: site.all('station'),
    dishes: site.all('dish'),
    baths: site.all('bath'),
    products: kit.products.value,
    losses: losses.value,
  }))
})
