import type { DaySheet } from '@tadka/core/sheet'
import { useDebounceFn } from '@vueuse/core'
import { ref, watch, type Ref } from 'vue'
import { useSession } from '../rights/session.ts'
import { useSiteStore } from '../site/site.ts'
import { ask } from '../wire/api.ts'

/** Records come in bursts: the sheet is read again once they rest, ms. */
const restMs = 1500

/** A trading day's sheet, read from the server, and read again as records come. @param day ISO date; empty: none. */
export function useDaySheet(day: Ref<string>) {
  const session = useSession()
  const site = useSiteStore()
  const sheet = ref<DaySheet | null>(null)
  const failed = ref(false)
  let asked = 0

  async function load(): Promise<void> {
    const mine = ++asked
    if (!day.value) return
    try {
      const got = await ask<DaySheet>('GET', `/api/sites/${session.site}/sheets/${day.value}`)
      if (mine !== asked) return
      sheet.value = got
      failed.value = false
    } catch {
      if (mine === asked) failed.value = true
    }
  }
  watch(
    day,
    () => {
      sheet.value = null
      void load()
    },
    { immediate: true },
  )
  const soon = useDebounceFn(() => void load(), restMs, { maxWait: 10 * restMs })
  watch(
    () => site.seq,
    () => void soon(),
  )
  return { sheet, failed, load }
}
