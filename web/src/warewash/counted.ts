import type { Prediction } from '@tadka/core/duty'
import { dishPredictions, kindOf, marksOf, sinkPredictions, withRacks } from '@tadka/core/warewash'
import { computed } from 'vue'
import { useSite } from '../record/site.ts'
import { useBaths } from '../solution/baths.ts'

/** The site's stations with their racks counted, and what their rinses and baths are expected to do: what duties are worked out from. */
export function useCountedStations() {
  const site = useSite()
  const stations = computed(() => site.all('station').map((s) => withRacks(s, site.one('dish', s.id))))
  const baths = useBaths()
  const weakening = computed((): Prediction[] =>
    baths.value.flatMap(({ station, outlook }) =>
      station && outlook?.testBy && outlook.likely
        ? [{ station, what: 'bath', from: outlook.testBy, at: outlook.likely }]
        : [],
    ),
  )
  const predictions = computed((): Prediction[] => [
    ...weakening.value,
    ...stations.value
      .filter((s) => s.plate?.family === 'sink')
      .flatMap((s) => sinkPredictions(s, site.all('dish'))),
    ...stations.value.flatMap(({ id, plate }) => {
      const kind = kindOf(plate?.family ?? '')
      const dish = site.one('dish', id)
      return kind && plate && dish ? dishPredictions(dish, marksOf(kind, plate.parameters).rinse) : []
    }),
  ])
  return { stations, predictions }
}
