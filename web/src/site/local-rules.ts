import type { LocalRule } from '@tadka/core/rules'
import { computed } from 'vue'
import { useSite } from './site.ts'

/** The rules of the site's authority, in force and ended. */
export function useLocalRules() {
  const site = useSite()
  const rules = computed(() => site.all('rule').filter((r): r is LocalRule => 'authority' in r))
  return { rules }
}
