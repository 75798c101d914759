import { computed } from 'vue'
import { useSite } from './site.ts'

/** The machines that stand here, by name, to choose from. */
export function useMachines() {
  const site = useSite()
  const options = computed(() =>
    site
      .all('station')
      .flatMap((s) => (s.plate && !s.plate.retired ? [{ value: s.id, label: s.plate.name }] : []))
      .toSorted((a, b) => a.label.localeCompare(b.label)),
  )
  return { options }
}
