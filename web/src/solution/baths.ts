import { bathDue, bathOutlook, type BathDue, type BathOutlook } from '@tadka/core/duty'
import type { BathState } from '@tadka/core/record'
import { isGone } from '@tadka/core/warewash'
import { computed } from 'vue'
import { useKit } from '../house/kit.ts'
import { useNames } from '../record/names.ts'
import { useSite } from '../record/site.ts'
import { useLosses } from './losses.ts'

export type StandingBath = BathState & {
  readonly name: string
  readonly due: BathDue
  /** When it is expected to fall below its label's range; null where nobody can tell. */
  readonly outlook: BathOutlook | null
}

/** A station has one sanitizer bath at a time. */
const vesselOf = (b: BathState) => b.station ?? b.where

/** The sanitizer baths that stand, newest first: the last in each vessel, what was mixed there before is gone. */
export function useBaths() {
  const site = useSite()
  const kit = useKit()
  const names = useNames()
  const losses = useLosses()
  return computed<StandingBath[]>(() =>
    site
      .all('bath')
      .filter((b) => kit.products.value.find((p) => p.id === b.product)?.agent)
      .filter((b) => b.station === null || !isGone(site.one('station', b.station)))
      .toSorted((a, b) => b.mixedAt - a.mixedAt)
      .filter((b, i, all) => all.findIndex((o) => vesselOf(o) === vesselOf(b)) === i)
      .map((b) => {
        const outlook = outlookOf(b)
        return {
          ...b,
          name: b.station ? names.station(b.station) : b.where,
          due: bathDue(b, site.set?.bath, outlook?.testBy ?? null),
          outlook,
        }
      }),
  )

  function outlookOf(bath: BathState): BathOutlook | null {
    const uses = kit.products.value.find((p) => p.id === bath.product)?.uses ?? []
    const use = uses.find((u) => u.target === bath.target && u.range) ?? uses.find((u) => u.range)
    return use?.range ? bathOutlook(bath, use.range.lo, losses.value[bath.product ?? '']) : null
  }
}
