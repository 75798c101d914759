import { countedHouse, standingBaths, type House } from '@tadka/core/warewash'
import { createSharedComposable } from '@vueuse/core'
import { computed } from 'vue'
import { useKit } from '../house/kit.ts'
import { useSite } from '../record/site.ts'
import { useLosses } from '../solution/losses.ts'

/** What the core works out what is due from, as this tablet knows it. */
const useHouse = createSharedComposable(() => {
  const site = useSite()
  const kit = useKit()
  const losses = useLosses()
  return computed<House>(() => ({
    site: site.set,
    stations: site.all('station'),
    dishes: site.all('dish'),
    baths: site.all('bath'),
    products: kit.products.value,
    losses: losses.value,
  }))
})

/** The site's stations with their racks counted, and what their rinses and baths are expected to do: what duties are worked out from. */
export function useCountedStations() {
  const house = useHouse()
  const counted = computed(() => countedHouse(house.value))
  return {
    stations: computed(() => counted.value.stations),
    predictions: computed(() => counted.value.predictions),
  }
}

/** The sanitizer baths that stand. */
export function useStanding() {
  const house = useHouse()
  return computed(() => standingBaths(house.value))
}
