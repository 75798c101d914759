import { bathDue, type BathDue } from '@tadka/core/duty'
import type { BathState } from '@tadka/core/record'
import { computed } from 'vue'
import { useKit } from '../house/kit.ts'
import { useNames } from '../record/names.ts'
import { useSite } from '../record/site.ts'

export type StandingBath = BathState & { readonly name: string; readonly due: BathDue }

/** A station has one sanitizer bath at a time. */
const vesselOf = (b: BathState) => b.station ?? b.where

/** The sanitizer baths that stand, newest first: the last in each vessel, what was mixed there before is gone. */
export function useBaths() {
  const site = useSite()
  const kit = useKit()
  const names = useNames()
  return computed<StandingBath[]>(() =>
    site
      .all('bath')
      .filter((b) => kit.products.value.find((p) => p.id === b.product)?.agent)
      .toSorted((a, b) => b.mixedAt - a.mixedAt)
      .filter((b, i, all) => all.findIndex((o) => vesselOf(o) === vesselOf(b)) === i)
      .map((b) => ({
        ...b,
        name: b.station ? names.station(b.station) : b.where,
        due: bathDue(b, site.set?.bath),
      })),
  )
}
