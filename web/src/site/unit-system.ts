import type { UnitSystem } from '@tadka/core/quantity'
import { useSessionStorage } from '@vueuse/core'
import { computed } from 'vue'
import { useSite } from './site.ts'

const otherOf: Readonly<Record<UnitSystem, UnitSystem>> = { metric: 'us', us: 'metric' }

/** Units that this tablet shows and asks in the place of the site's own, until it is closed; empty where none were chosen. */
const chosen = useSessionStorage('tadka.units', '')

/** The units that this tablet shows and asks: the site's own, or the other ones where somebody tapped. */
export function useUnitSystem() {
  const site = useSite()
  const own = computed((): UnitSystem => site.set?.units ?? 'metric')
  const system = computed((): UnitSystem => {
    const wanted = chosen.value
    return wanted === 'metric' || wanted === 'us' ? wanted : own.value
  })
  return {
    system,
    isUs: computed(() => system.value === 'us'),
    /** What a tap would show. */
    other: computed(() => otherOf[system.value]),
    turn(): void {
      const to = otherOf[system.value]
      chosen.value = to === own.value ? '' : to
    },
  }
}
