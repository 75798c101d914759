import { dutyInputs } from '@tadka/core/warewash'
import { computed } from 'vue'
import { useSiteKnown } from '../solution/site-known.ts'

/** The site's stations with their racks counted, and what their rinses and baths are expected to do: what duties are worked out from. */
export function useDutyInputs() {
  const known = useSiteKnown()
  const inputs = computed(() => dutyInputs(known.value))
  return {
    stations: computed(() => inputs.value.stations),
    predictions: computed(() => inputs.value.predictions),
  }
}
