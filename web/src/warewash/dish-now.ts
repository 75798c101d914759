import type { MachineNow } from '@tadka/contract/warewash'
import { useDocumentVisibility, useIntervalFn } from '@vueuse/core'
import { computed, ref, watch, type Ref } from 'vue'
import { useSession } from '../rights/session.ts'
import { ask } from '../wire/api.ts'
import { now } from '../wire/clock.ts'

/** How often the machine is asked about while one looks, and how old an answer may be before it is called old. */
const everyMs = 2000
const freshMs = 20_000

/** What the machine does now, asked again and again while the place is looked at. */
export function useMachineNow(station: Ref<string>) {
  const session = useSession()
  const seen = useDocumentVisibility()
  const machine = ref<MachineNow | null>(null)
  const failed = ref(false)
  let asking = false

  async function look(): Promise<void> {
    if (asking || seen.value === 'hidden' || !session.site || station.value === '') return
    asking = true
    const asked = station.value
    try {
      const answer = await ask<MachineNow>('GET', `/api/sites/${session.site}/dish/${asked}/now`)
      if (asked === station.value) machine.value = answer
      failed.value = false
    } catch {
      failed.value = true
    } finally {
      asking = false
    }
  }
  useIntervalFn(() => void look(), everyMs, { immediateCallback: true })
  watch(station, () => {
    machine.value = null
    void look()
  })
  return {
    machine,
    failed,
    /** Whether what is shown is of now. */
    fresh: computed(() => now() - (machine.value?.at ?? 0) < freshMs),
  }
}
