import { useIntervalFn } from '@vueuse/core'
import { readonly, ref } from 'vue'
import { tabletStore } from './tablet-store.ts'

/** Less room than that for what is made here is told, bytes: some thousand records and a few photos. */
const shortBytes = 20_000_000
const lookMs = 60_000

const isShort = ref(false)
/** Whether records can be kept on this tablet at all; null until that was tried. */
const canKeep = ref<boolean | null>(null)

/** Asks the browser to keep what this tablet holds, and looks how much room is left: before the first record is at risk. */
async function look(): Promise<void> {
  canKeep.value = (await tabletStore()) !== null
  const storage = (navigator as Partial<Navigator>).storage as Partial<StorageManager> | undefined
  try {
    if (!(await storage?.persisted?.())) await storage?.persist?.()
    const { quota, usage } = (await storage?.estimate?.()) ?? {}
    isShort.value = quota !== undefined && usage !== undefined && quota - usage < shortBytes
  } catch {
    // Nothing is known of it; whether a record could be kept is told by trying.
  }
}

/** How much room this tablet has for records, looked at now and every minute. */
export function useStorageSpace() {
  void look()
  useIntervalFn(() => void look(), lookMs)
  return { isShort: readonly(isShort), canKeep: readonly(canKeep) }
}
