import { dishFold, kindOf, machineNow, type DishState } from '@tadka/core/warewash'
import { computed, type Ref } from 'vue'
import { useKit } from '../site/kit.ts'
import { useSite } from '../site/site.ts'
import { now } from '../wire/clock.ts'

/** A site's dish machines, with a probe or without. */
export function useDishMachines() {
  const site = useSite()
  return computed(() => site.all('station').filter((s) => kindOf(s.plate?.family ?? '') !== null))
}

/** A site's sinks of three compartments. */
export function useSinks() {
  const site = useSite()
  return computed(() => site.all('station').filter((s) => s.plate?.family === 'sink'))
}

/** What is known of one dish machine, and what follows from it. */
export function useDish(id: Ref<string>) {
  const site = useSite()
  const kit = useKit()
  const station = computed(() => site.one('station', id.value))
  const state = computed((): DishState => site.one('dish', id.value) ?? dishFold.initial(id.value))
  const around = computed(() => ({ site: site.set ?? null, products: kit.products.value }))
  const told = computed(() => machineNow(station.value, state.value, around.value, now()))
  return { station, state, told }
}

export type Dish = ReturnType<typeof useDish>
