import type { SiteKept, SiteSet } from '@tadka/core/house'
import { useMessage } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSession } from '../rights/session.ts'
import { useSite } from './site.ts'

/** The site's own settings, whether this person may change them, and the change of some of them, told and logged. */
export function useSiteSet() {
  const site = useSite()
  const session = useSession()
  const message = useMessage()
  const { t } = useI18n()
  const kept = computed((): SiteSet | null => {
    if (!site.set || !('hours' in site.set)) return null
    // What was measured there is no setting: it has records of its own.
    const { id: _, water: _w, entered: _e, ...set } = site.set as SiteSet & SiteKept & { id: string }
    return set
  })
  return {
    kept,
    may: computed(() => session.mayDo('set-up-house')),
    /** What is undefined in it is taken out. */
    set(change: { readonly [K in keyof SiteSet]?: SiteSet[K] | undefined }): void {
      if (!kept.value || !session.site) return
      const all = Object.entries({ ...kept.value, ...change }).filter(([, value]) => value !== undefined)
      const changed = Object.fromEntries(all) as unknown as SiteSet
      site.record('site.set@1', { kind: 'site', id: session.site }, changed)
      message.success(t('house.saved'))
    },
  }
}
