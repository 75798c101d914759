import { computed } from 'vue'
import { useSite } from './site.ts'

/** The areas of the site, as its machines name them, to choose from. */
export function useAreas() {
  const site = useSite()
  const areas = computed(() =>
    [...new Set(site.all('station').flatMap((s) => s.plate?.place || []))].toSorted(),
  )
  const options = computed(() => areas.value.map((a) => ({ label: a, value: a })))
  return { areas, options }
}
