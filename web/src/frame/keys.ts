import { onKeyStroke, useStorage } from '@vueuse/core'
import { ref } from 'vue'
import type { Router } from 'vue-router'
import { places } from '../router.ts'

/** Whether single keys act at all; off for those whom they disturb. */
export const singleKeys = useStorage('tadka.keys', true)

const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName))

/** Places, mix, check, find, and the list of keys. They sleep while anything is being entered. */
export function useKeys(router: Router) {
  const help = ref(false)
  const fixed: Record<string, () => void> = {
    m: () => void router.push('/bench/mix'),
    c: () => void router.push('/bench/check'),
    '/': () => void router.push({ path: '/house/stations', query: { find: '1' } }),
    '?': () => (help.value = !help.value),
  }
  onKeyStroke((event) => {
    if (!singleKeys.value || typing(event.target) || event.ctrlKey || event.altKey || event.metaKey) return
    const numberTaken =
      router.currentRoute.value.meta['dock'] === false || document.querySelector('.pad') !== null
    const place = numberTaken ? undefined : places[Number(event.key) - 1]
    const act = place ? () => void router.push(`/${place}`) : fixed[event.key]
    if (!act) return
    event.preventDefault()
    act()
  })
  return { help }
}
